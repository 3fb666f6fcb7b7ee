import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { chooseParts, dropIntake, type FileParts, type Intake, type Part, partsQuery } from '@/api/intakes'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { SearchField } from '@/ui/SearchField'
import { broughtBy, byPlace, everything, readInAll, type Ticked } from './parts'

const words = texts.intake.parts

/** So many parts are found by looking. */
const SOME = 12

const titleOf = (part: Part) => part.title || (part.kind === 'loose' ? words.loose : words.untitled)

const namesOf = (file: FileParts, ids: string[]) =>
  file.parts
    .filter((part) => ids.includes(part.id))
    .map(titleOf)
    .join(', ')

/** What the packages of an import fall into; what is ticked is read. */
export function ChooseParts({ intake }: { intake: Intake }) {
  const client = useQueryClient()
  const navigate = useNavigate()
  const files = useQuery(partsQuery(intake.id))
  const [ticked, setTicked] = useState<Ticked | null>(null)
  const [sought, setSought] = useState('')
  const go = useMutation({
    mutationFn: (parts: Ticked) => chooseParts(intake.id, parts),
    onSettled: () => client.invalidateQueries({ queryKey: ['intake', intake.id] }),
  })
  const drop = useMutation({ mutationFn: () => dropIntake(intake.id), onSuccess: () => navigate('/transfers') })
  if (files.isPending) return <Waiting text={texts.loading} />
  if (files.isError) return <Nothing title={files.error.message} />
  const now = ticked ?? everything(files.data)
  const read = readInAll(files.data, now)
  const shown = (file: FileParts) =>
    file.parts.filter((part) => `${titleOf(part)} ${part.path.join(' ')}`.toLowerCase().includes(sought.trim().toLowerCase()))
  /** Ticks or unticks what is shown. */
  const set = (on: boolean) =>
    setTicked(
      Object.fromEntries(
        files.data.map((file) => {
          const ids = shown(file).map((part) => part.id)
          const others = (now[file.id] ?? []).filter((one) => !ids.includes(one))
          return [file.id, on ? [...others, ...ids] : others]
        }),
      ),
    )
  const isPending = go.isPending || drop.isPending
  return (
    <div className="flex h-full flex-col">
      <div className="min-h-0 flex-1 overflow-y-auto">
        <div className="mx-auto flex max-w-200 flex-col gap-4 p-6 max-md:p-4">
          <div>
            <h2 className="text-title font-semibold">{words.title}</h2>
            <p className="text-second">{words.about}</p>
          </div>
          <div className="flex flex-wrap items-center gap-3">
            {files.data.reduce((sum, file) => sum + file.parts.length, 0) > SOME ? (
              <SearchField label={words.find} value={sought} onChange={setSought} />
            ) : null}
            <Button onClick={() => set(true)}>{words.all}</Button>
            <Button onClick={() => set(false)}>{words.none}</Button>
          </div>
          {files.data.map((file) => (
            <PartsOfFile
              key={file.id}
              file={file}
              shown={shown(file)}
              ticked={now[file.id] ?? []}
              onTick={(ids) => setTicked({ ...now, [file.id]: ids })}
              isNamed={intake.files.length > 1}
            />
          ))}
          {go.isError ? <Message look="problem">{go.error.message}</Message> : null}
          {drop.isError ? <Message look="problem">{drop.error.message}</Message> : null}
        </div>
      </div>
      <div className="border-hairline border-t bg-paper">
        <div className="mx-auto flex max-w-200 items-center gap-3 px-6 py-3 max-md:px-4">
          <Button look="primary" disabled={read.parts === 0} aria-disabled={isPending} onClick={() => !isPending && go.mutate(now)}>
            {words.go(read)}
          </Button>
          <Button aria-disabled={isPending} onClick={() => !isPending && drop.mutate()}>
            {words.cancel}
          </Button>
          {read.parts === 0 ? <span className="text-second">{words.nothing}</span> : null}
        </div>
      </div>
    </div>
  )
}

type FileProps = { file: FileParts; shown: Part[]; ticked: string[]; onTick: (ids: string[]) => void; isNamed: boolean }

function PartsOfFile({ file, shown, ticked, onTick, isNamed }: FileProps) {
  const brought = broughtBy(file, ticked)
  return (
    <section aria-label={file.name} className="flex flex-col gap-2">
      {isNamed ? <h3 className="text-head font-semibold">{file.name}</h3> : null}
      {shown.length === 0 ? <p className="text-second">{words.noneFound}</p> : null}
      {byPlace(shown).map(([place, parts]) => (
        <div key={place}>
          {place === '' ? null : <h4 className="pb-1 text-caption text-second">{place}</h4>}
          <ul className="rounded-ui border border-hairline bg-paper">
            {parts.map((part) => (
              <li key={part.id} className="border-hairline border-b last:border-b-0">
                <label className="flex cursor-pointer items-center gap-3 px-3 py-2 hover:bg-hover">
                  <input
                    type="checkbox"
                    checked={ticked.includes(part.id)}
                    onChange={(event) => onTick(event.target.checked ? [...ticked, part.id] : ticked.filter((one) => one !== part.id))}
                  />
                  <span className="min-w-0 flex-1">
                    <span className="font-semibold">{titleOf(part)}</span>
                    {part.needs.length > 0 ? (
                      <span className="text-second"> · {words.draws({ from: namesOf(file, part.needs) })}</span>
                    ) : null}
                    {brought.has(part.id) ? (
                      <span className="text-attention"> · {words.brought({ by: brought.get(part.id)?.join(', ') ?? '' })}</span>
                    ) : null}
                  </span>
                  <span className="text-second">{words.kinds[part.kind]}</span>
                  <span className="w-28 text-right tabular-nums">{words.questions({ n: part.questions })}</span>
                </label>
              </li>
            ))}
          </ul>
        </div>
      ))}
      {file.others.length > 0 ? (
        <p className="text-second">{words.others({ list: file.others.map((one) => `${one.name} (${one.count})`).join(', ') })}</p>
      ) : null}
    </section>
  )
}
