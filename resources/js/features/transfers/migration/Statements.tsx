import { useMutation } from '@tanstack/react-query'
import { X } from 'lucide-react'
import { type ReactNode, useRef, useState } from 'react'
import { type Migration, type MigrationChange, recallFile, recallWords, type StatedDraw } from '@/api/migration'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control, Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { Message } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'

const words = texts.migration.had

type Props = { intake: string; held: Migration; onChange: (change: MigrationChange) => Promise<Migration> }

/** What each quiz drew in the old system: typed line by line, in words, from a table, or from another export. */
export function Statements({ intake, held, onChange }: Props) {
  const [lines, setLines] = useState(held.lines)
  const [pasting, setPasting] = useState(false)
  const file = useRef<HTMLInputElement>(null)
  const tell = useToast()
  const save = (next: StatedDraw[]) => {
    setLines(next)
    onChange({ lines: next }).catch(() => {}) // said above the lines
  }
  const recalled = (read: { lines: StatedDraw[]; problems: string[] }) => {
    if (read.lines.length > 0) save([...lines, ...read.lines])
    tell({
      text: [words.read({ n: read.lines.length }), ...read.problems.slice(0, 3)].join(' '),
      ...(read.problems.length > 0 ? { look: 'problem' } : {}),
    })
    setPasting(false)
  }
  const fail = (problem: Error) => tell({ text: problem.message, look: 'problem' })
  const fromFile = useMutation({ mutationFn: (given: File) => recallFile(intake, given), onSuccess: recalled, onError: fail })
  const fromWords = useMutation({ mutationFn: (text: string) => recallWords(intake, text), onSuccess: recalled })
  const quizzes = held.quizzes.map((one) => one.title)
  const folders = [...new Set(held.tree.map((row) => row.path.at(-1) ?? '').filter((name) => !quizzes.includes(name)))]
  const first = lines.findIndex((line) => line.quiz !== '')
  return (
    <section aria-label={words.title} className="flex flex-col gap-3">
      <div className="flex flex-wrap items-start gap-2">
        <div className="min-w-64 flex-1">
          <h2 className="font-semibold text-title">{words.title}</h2>
          <p className="text-second">{words.about}</p>
        </div>
        <Button onClick={() => setPasting(true)}>{words.paste}</Button>
        <Button title={words.fileAbout} aria-disabled={fromFile.isPending} onClick={() => file.current?.click()}>
          {words.file}
        </Button>
        <input
          ref={file}
          type="file"
          aria-label={words.fileAbout}
          tabIndex={-1}
          className="sr-only"
          onChange={(event) => {
            const given = event.target.files?.[0]
            if (given) fromFile.mutate(given)
            event.target.value = ''
          }}
        />
      </div>
      {lines.length > 0 ? (
        <div className="overflow-x-auto">
          <table className="w-full border-separate border-spacing-0">
            <thead>
              <tr className="text-left text-caption text-second">
                {[words.quiz, words.draw, words.of, words.pool, words.points, words.certain].map((name) => (
                  <th key={name} scope="col" className="pr-2 font-normal">
                    {name}
                  </th>
                ))}
                <td />
              </tr>
            </thead>
            <tbody>
              {lines.map((line, i) => (
                <Line
                  // biome-ignore lint/suspicious/noArrayIndexKey: a line is its place
                  key={`${i} ${JSON.stringify(line)}`}
                  line={line}
                  number={i + 1}
                  quizzes={quizzes}
                  folders={folders}
                  onChange={(next) => save(lines.map((one, at) => (at === i ? next : one)))}
                  onRemove={() => save(lines.filter((_, at) => at !== i))}
                />
              ))}
            </tbody>
          </table>
        </div>
      ) : null}
      <div className="flex flex-wrap gap-2">
        <Button
          onClick={() => {
            const last = lines.at(-1)
            save([...lines, { quiz: last?.quiz ?? quizzes[0] ?? '', of: '', draw: 1, pool: null, points: null, known: true }])
          }}
        >
          {words.add}
        </Button>
        {first >= 0 && quizzes.length > 1 ? (
          <Button
            onClick={() =>
              onChange({ lines, copy: lines[first]?.quiz ?? '' })
                .then((now) => setLines(now.lines))
                .catch(() => {})
            }
          >
            {words.copy}
          </Button>
        ) : null}
        {lines.length > 1 ? (
          <Button look="quiet" onClick={() => save([])}>
            {words.clear}
          </Button>
        ) : null}
      </div>
      {pasting ? (
        <FormDialog
          wide
          title={words.pasteTitle}
          about={words.pasteAbout}
          go={words.pasteGo}
          disabled={fromWords.isPending}
          onClose={() => setPasting(false)}
          onSubmit={(event) => fromWords.mutate(String(new FormData(event.currentTarget).get('text') ?? ''))}
        >
          <Field.Root>
            <Field.Label>{words.words}</Field.Label>
            <Field.Area name="text" rows={10} maxLength={200_000} required />
          </Field.Root>
          {fromWords.isError ? <Message look="problem">{fromWords.error.message}</Message> : null}
        </FormDialog>
      ) : null}
    </section>
  )
}

type LineProps = {
  line: StatedDraw
  number: number
  quizzes: string[]
  folders: string[]
  onChange: (line: StatedDraw) => void
  onRemove: () => void
}

function Line({ line, number, quizzes, folders, onChange, onRemove }: LineProps) {
  const name = (what: string) => words.line({ what, n: number })
  const cell = (inside: ReactNode) => <td className="py-0.5 pr-2">{inside}</td>
  const count = (what: string, value: number | null, least: number, set: (value: number | null) => void, step = 1) => (
    <input
      type="number"
      min={least}
      step={step}
      aria-label={name(what)}
      className={`${control} w-20`}
      defaultValue={value ?? ''}
      onBlur={(event) => {
        const next = event.target.value === '' ? null : Number(event.target.value)
        if (next !== value && !Number.isNaN(next)) set(next)
      }}
    />
  )
  const all = quizzes.includes(line.quiz) ? quizzes : [line.quiz, ...quizzes]
  return (
    <tr>
      {cell(
        <select
          aria-label={name(words.quiz)}
          className={`${control} max-w-44`}
          value={line.quiz}
          onChange={(event) => onChange({ ...line, quiz: event.target.value })}
        >
          {all.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </select>,
      )}
      {cell(count(words.draw, line.draw, 0, (draw) => onChange({ ...line, draw: draw ?? 1 })))}
      {cell(
        <>
          <input
            aria-label={name(words.of)}
            className={`${control} w-44`}
            list={`folders-${number}`}
            placeholder={words.all}
            defaultValue={line.of}
            maxLength={500}
            onBlur={(event) => event.target.value !== line.of && onChange({ ...line, of: event.target.value })}
          />
          <datalist id={`folders-${number}`}>
            {folders.map((one) => (
              <option key={one} value={one} />
            ))}
          </datalist>
        </>,
      )}
      {cell(count(words.pool, line.pool, 0, (pool) => onChange({ ...line, pool })))}
      {cell(count(words.points, line.points, 0, (points) => onChange({ ...line, points }), 0.5))}
      {cell(
        <select
          aria-label={name(words.certain)}
          className={control}
          value={line.known ? 'known' : 'assumed'}
          onChange={(event) => onChange({ ...line, known: event.target.value === 'known' })}
        >
          <option value="known">{words.known}</option>
          <option value="assumed">{words.assumed}</option>
        </select>,
      )}
      <td>
        <Button look="quiet" className="!px-1" aria-label={words.remove({ n: number })} onClick={onRemove}>
          <X size={16} aria-hidden="true" />
        </Button>
      </td>
    </tr>
  )
}
