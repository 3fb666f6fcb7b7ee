import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useLocation, useParams, useSearchParams } from 'react-router'
import { autosaveQuery, bankQuery, questionQuery } from '@/api/queries'
import type { QuestionJson } from '@/api/question'
import { Nothing, Waiting } from '@/components/Message'
import { freshQuestion, likeQuestion, nextAfter } from '@/desk/fresh'
import { inBank } from '@/desk/home'
import { restored, unsaved } from '@/desk/unsaved'
import { Workbench } from '@/desk/Workbench'
import { single, useCommands } from '@/frame/commands'
import { Shell } from '@/frame/Shell'
import { parts } from '@/parts'
import { texts } from '@/texts'

const trail = (bank: { slug: string; name: string }, question?: string) => [
  { title: texts.banks.title, to: '/banks' },
  { title: bank.name, to: `/banks/${bank.slug}${question ? `?question=${question}` : ''}` },
]

/** Writing a new question in a bank, from nothing or like another. */
export function NewDesk() {
  const slug = useParams().slug ?? ''
  const [address] = useSearchParams()
  const state = useLocation().state as { question?: QuestionJson; note?: string } | null
  const handed = state?.question ? { question: state.question, note: state.note ?? '' } : null
  const like = address.get('like')
  const stimulus = address.get('stimulus')
  // A copy and a question with a stimulus are kept apart from what else is begun in the bank: none takes the place of another.
  const subject = like ? `new:${slug}:like:${like}` : stimulus ? `new:${slug}:with:${stimulus}` : `new:${slug}`
  const bank = useQuery(bankQuery(slug))
  const kept = useQuery(autosaveQuery(subject))
  const model = useQuery({ ...questionQuery(like ?? ''), enabled: like !== null })
  const [begun, setBegun] = useState<{ question: QuestionJson; note?: string } | null>(null)
  const [ignored, setIgnored] = useState(false)
  const crumbs = [
    { title: texts.banks.title, to: '/banks' },
    { title: bank.data?.name ?? '…', to: `/banks/${slug}` },
    { title: texts.desk.fresh },
  ]
  const problem = bank.error ?? (like ? model.error : null)
  if (problem || bank.isPending || kept.isPending || (like !== null && model.isPending))
    return (
      <Shell title={texts.desk.fresh} crumbs={crumbs}>
        {problem ? <Nothing title={problem.message} /> : <Waiting text={texts.loading} />}
      </Shell>
    )
  if (!bank.data) return null
  const old = ignored || begun ? null : unsaved(subject, kept.data)
  if (handed && !begun) {
    setBegun(handed)
    return null
  }
  const copy = !begun && !old && like && model.data ? likeQuestion(model.data.question) : null
  if (copy && !begun) {
    setBegun({ question: copy, note: texts.desk.like(model.data?.question.title ?? '') })
    return null
  }
  const start = begun?.question ?? old?.content
  if (start)
    return (
      <Workbench
        key={start.id}
        home={inBank({ slug, name: bank.data.name }, null, subject)}
        crumbs={crumbs.slice(0, -1)}
        revision={0}
        start={start}
        dirty={old !== null}
        onAnother={() => {
          setIgnored(true)
          setBegun({ question: nextAfter(start) })
        }}
        {...(begun?.note ? { note: { text: begun.note } } : old ? restored(subject, () => setIgnored(true), texts.desk.startFresh) : {})}
      />
    )
  return (
    <Shell title={texts.desk.fresh} crumbs={crumbs}>
      <Starts onStart={(kind) => setBegun({ question: { ...freshQuestion(kind), ...(stimulus ? { stimuli: [stimulus] } : {}) } })} />
    </Shell>
  )
}

/** The learner will … The first nine by their number, several by 0. */
function Starts({ onStart }: { onStart: (kind: string) => void }) {
  const starts = [
    ...parts.map((view, i) => ({
      kind: view.kind,
      title: texts.desk.starts[view.kind] ?? view.kind,
      hint: texts.desk.startHints[view.kind] ?? '',
      key: i < 9 ? String(i + 1) : '',
    })),
    { kind: '', title: texts.desk.startSeveral, hint: texts.desk.startSeveralHint, key: '0' },
  ]
  useCommands(
    'starts',
    starts.map(({ kind, title, key }) => ({
      id: `start-${kind}`,
      group: texts.desk.start,
      title,
      run: () => onStart(kind),
      ...(key ? { keys: key, single: true, on: single(key) } : {}),
    })),
  )
  return (
    <div className="mx-auto max-w-240 p-10 max-md:p-4">
      <h2 className="text-title font-semibold">{texts.desk.start}</h2>
      <ul className="mt-4 grid grid-cols-2 gap-x-10 border-hairline border-t max-lg:grid-cols-1">
        {starts.map(({ kind, title, hint, key }) => (
          <li key={kind} className="border-hairline border-b">
            <button
              type="button"
              className="-outline-offset-2 flex h-full w-full items-baseline gap-3 px-3 py-3 text-left hover:bg-well"
              onClick={() => onStart(kind)}
            >
              <span className="flex-1">
                <span className="block font-semibold text-accent text-head">{title}</span>
                <span className="block text-second">{hint}</span>
              </span>
              {key ? <span className="rounded border border-edge px-1.5 font-mono text-caption text-quiet">{key}</span> : null}
            </button>
          </li>
        ))}
      </ul>
    </div>
  )
}

/** Writing on a question that is there. */
export function QuestionDesk() {
  const id = useParams().id ?? ''
  return <StoredDesk key={id} id={id} />
}

function StoredDesk({ id }: { id: string }) {
  const whole = useQuery({ ...questionQuery(id), refetchOnWindowFocus: false })
  const kept = useQuery(autosaveQuery(id))
  const [discarded, setDiscarded] = useState(0)
  const [another, setAnother] = useState<QuestionJson | null>(null)
  // What the desk begins with stays, also when the question is asked for again beside it.
  const [first, setFirst] = useState<{ question: QuestionJson; revision: number } | null>(null)
  if (whole.isPending || kept.isPending || whole.isError)
    return (
      <Shell title={texts.desk.stem} crumbs={[{ title: texts.banks.title, to: '/banks' }, { title: '…' }]}>
        {whole.isError ? <Nothing title={whole.error.message} /> : <Waiting text={texts.loading} />}
      </Shell>
    )
  if (first === null) {
    setFirst({ question: whole.data.question, revision: whole.data.revision })
    return null
  }
  const { bank } = whole.data
  if (another)
    return (
      <Workbench
        key={another.id}
        home={inBank(bank, null)}
        crumbs={trail(bank)}
        revision={0}
        start={another}
        dirty={false}
        onAnother={() => setAnother(nextAfter(another))}
      />
    )
  const old = discarded > 0 ? null : unsaved(id, kept.data)
  return (
    <Workbench
      key={`${id} ${discarded}`}
      home={inBank(bank, id)}
      crumbs={trail(bank, id)}
      revision={old ? (old.base ?? first.revision) : discarded > 0 ? whole.data.revision : first.revision}
      start={old ? old.content : discarded > 0 ? whole.data.question : first.question}
      dirty={old !== null}
      onAnother={() => setAnother(nextAfter(whole.data.question))}
      {...(old ? restored(id, () => setDiscarded(discarded + 1)) : {})}
    />
  )
}
