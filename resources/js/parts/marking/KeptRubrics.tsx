import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Rubric } from '@/api/question'
import { keepRubric, rubricQuery, rubricsQuery } from '@/api/rubrics'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { control } from '@/ui/Field'
import { Message, Waiting } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'

const words = texts.rubrics

/** A rubric of a bank, chosen to be followed or copied. */
export function ChooseRubric({ onChoose, onClose }: { onChoose: (rubric: Rubric) => void; onClose: () => void }) {
  const [sought, setSought] = useState('')
  const [shown, setShown] = useState('')
  const rubrics = useQuery(rubricsQuery())
  const whole = useQuery({ ...rubricQuery(shown), enabled: shown !== '' })
  const rows = (rubrics.data ?? []).filter((one) => one.title.toLowerCase().includes(sought.trim().toLowerCase()))
  const choose = (follow: boolean) => {
    if (!whole.data) return
    onChoose({ ...whole.data.rubric, ...(follow ? { link: { rubric: whole.data.id, revision: whole.data.revision } } : {}) })
    onClose()
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title={words.choose}
      about={words.chooseAbout}
      closeName={texts.frame.close}
      actions={
        <>
          <Button aria-disabled={!whole.data} onClick={() => choose(false)}>
            {words.copy}
          </Button>
          <Button look="primary" aria-disabled={!whole.data} onClick={() => choose(true)}>
            {words.follow}
          </Button>
        </>
      }
    >
      <input
        type="search"
        aria-label={words.find}
        placeholder={words.find}
        className={`${control} mb-2 w-full`}
        value={sought}
        onChange={(event) => setSought(event.target.value)}
      />
      {rubrics.isPending ? <Waiting text={texts.loading} /> : null}
      {rubrics.data && rows.length === 0 ? <p className="text-second">{words.noneFound}</p> : null}
      <div role="radiogroup" aria-label={words.title} className="max-h-80 overflow-y-auto">
        {rows.map((row) => (
          <label key={row.id} className="flex items-baseline gap-2 border-hairline border-b px-1 py-1.5 hover:bg-well">
            <input type="radio" name="rubric" className="accent-accent" checked={shown === row.id} onChange={() => setShown(row.id)} />
            <span className="min-w-0 flex-1">
              {row.title}
              <span className="block text-caption text-second">
                {[
                  row.bank.name,
                  texts.rubric.schemes[row.scheme as keyof typeof texts.rubric.schemes],
                  texts.rubric.upTo({ n: row.highest }),
                ].join(' · ')}
              </span>
            </span>
          </label>
        ))}
      </div>
    </Dialog>
  )
}

type LinkedProps = { rubric: Rubric; onChange: (rubric: Rubric) => void }

/** What a rubric follows, whether there is a newer revision, and the way to make it the question's own. */
export function Followed({ rubric, onChange }: LinkedProps) {
  const link = rubric.link
  const whole = useQuery({ ...rubricQuery(link?.rubric ?? ''), enabled: Boolean(link) })
  if (!link) return null
  const own = () => onChange({ ...rubric, link: null })
  if (whole.isError)
    return (
      <Message look="attention" actions={<Button onClick={own}>{words.makeOwn}</Button>}>
        {words.cannotFollow}
      </Message>
    )
  if (!whole.data) return null
  const kept = whole.data
  const { link: _, ...followed } = rubric
  // a revision that was undone leaves a newer number with the same content
  const isNewer = kept.revision > link.revision && JSON.stringify(kept.rubric) !== JSON.stringify(followed)
  return (
    <Message
      look={isNewer ? 'attention' : 'done'}
      actions={
        <>
          {isNewer ? (
            <Button onClick={() => onChange({ ...kept.rubric, link: { rubric: kept.id, revision: kept.revision } })}>
              {words.takeNewer}
            </Button>
          ) : null}
          <Button onClick={own}>{words.makeOwn}</Button>
        </>
      }
    >
      {isNewer ? words.newer({ title: kept.title, bank: kept.bank.name }) : words.follows({ title: kept.title, bank: kept.bank.name })}{' '}
      <Link className="underline" to={`/banks/${kept.bank.slug}/rubrics?rubric=${kept.id}`}>
        {words.changeForAll}
      </Link>
    </Message>
  )
}

/** Keeps the rubric of a question in its bank; the question follows it from then on. */
export function KeepRubric({ rubric, bank, onKept }: { rubric: Rubric; bank: string; onKept: (rubric: Rubric) => void }) {
  const tell = useToast()
  const [key] = useState(() => crypto.randomUUID())
  return (
    <Button
      look="quiet"
      className="!px-1"
      onClick={() => {
        if (!rubric.title?.trim()) return tell({ text: words.nameFirst, look: 'problem' })
        keepRubric(bank, rubric, key).then(
          (kept) => {
            onKept({ ...rubric, link: { rubric: kept.id, revision: kept.revision } })
            tell({ text: words.kept({ bank: kept.bank.name }) })
          },
          (problem: Error) => tell({ text: problem.message, look: 'problem' }),
        )
      }}
    >
      {words.keep}
    </Button>
  )
}
