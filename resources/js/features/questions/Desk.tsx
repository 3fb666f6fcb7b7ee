import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useLocation, useParams, useSearchParams } from 'react-router'
import { autosaveQuery, bankQuery, questionQuery, treesQuery } from '@/api/queries'
import type { QuestionJson } from '@/api/question'
import { likeQuestion, nextAfter } from '@/editor/fresh'
import { inBank } from '@/editor/home'
import { setFolders } from '@/editor/newFolders'
import { Starts } from '@/editor/starts/Starts'
import { Workbench } from '@/editor/Workbench'
import { questionWith, useDefaults } from '@/lib/defaults'
import { restored, unsaved } from '@/lib/saving/unsaved'
import { texts } from '@/messages'
import { pathsOf } from '@/question/record/paths'
import { Shell } from '@/shell/Shell'
import { usePlaced } from '@/standards/usePlaced'
import { Nothing, Waiting } from '@/ui/Message'
import { TypedPaste } from './TypedPaste'
import { useForAssessment } from './useForAssessment'

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
  const place = usePlaced(address)
  // A copy and a question with a stimulus are kept apart from what else is begun in the bank: none takes the place of another.
  const assessment = address.get('assessment')
  const subject = assessment
    ? `new:${slug}:assessment:${assessment}`
    : like
      ? `new:${slug}:like:${like}`
      : stimulus
        ? `new:${slug}:with:${stimulus}`
        : `new:${slug}${place.subject}`
  const bank = useQuery(bankQuery(slug))
  const defaults = useDefaults(slug)
  const forAssessment = useForAssessment(address)
  const kept = useQuery(autosaveQuery(subject))
  const model = useQuery({ ...questionQuery(like ?? ''), enabled: like !== null })
  const trees = useQuery(treesQuery(slug))
  const places = address.getAll('folder').join(' ')
  const [begun, setBegun] = useState<{ question: QuestionJson; note?: string } | null>(null)
  const [ignored, setIgnored] = useState(false)
  const crumbs = [
    { title: texts.banks.title, to: '/banks' },
    { title: bank.data?.name ?? '…', to: `/banks/${slug}` },
    { title: texts.desk.fresh },
  ]
  const problem = bank.error ?? kept.error ?? (like ? model.error : null)
  if (
    problem ||
    bank.isPending ||
    kept.isPending ||
    (like !== null && model.isPending) ||
    (places !== '' && trees.isPending) ||
    place.isPending
  )
    return (
      <Shell title={texts.desk.fresh} crumbs={crumbs}>
        {problem ? <Nothing title={problem.message} /> : <Waiting text={texts.loading} />}
      </Shell>
    )
  if (!bank.data) return null
  const old = ignored || begun ? null : unsaved(subject, kept.data)
  // start in the open folders, or in those of the question that is copied
  const begin = (next: { question: QuestionJson; note?: string }) => {
    const open = pathsOf(trees.data?.folders ?? []).flatMap(([id, path]) => (places.split(' ').includes(id) ? [path] : []))
    setFolders(subject, like ? (model.data?.folders ?? []) : open)
    setBegun(next)
  }
  if (handed && !begun) {
    begin(handed)
    return null
  }
  const copy = !begun && !old && like && model.data ? likeQuestion(model.data.question) : null
  if (copy && !begun) {
    begin({ question: copy, note: texts.desk.like({ title: model.data?.question.title ?? '' }) })
    return null
  }
  const start = begun?.question ?? old?.content
  if (start)
    return (
      <TypedPaste bank={slug}>
        <Workbench
          key={start.id}
          home={forAssessment(inBank({ slug, name: bank.data.name }, null, subject))}
          crumbs={crumbs.slice(0, -1)}
          revision={0}
          start={start}
          dirty={old !== null}
          onAnother={() => {
            setIgnored(true)
            setBegun({ question: place.classified(nextAfter(start, defaults)) })
          }}
          {...(begun?.note ? { note: { text: begun.note } } : old ? restored(subject, () => setIgnored(true), texts.desk.startFresh) : {})}
        />
      </TypedPaste>
    )
  return (
    <Shell title={texts.desk.fresh} crumbs={crumbs}>
      <Starts
        onStart={(fresh) =>
          begin({ question: place.classified({ ...questionWith(fresh, defaults), ...(stimulus ? { stimuli: [stimulus] } : {}) }) })
        }
      />
    </Shell>
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
  const defaults = useDefaults(whole.data?.bank.slug ?? '')
  const [discarded, setDiscarded] = useState(0)
  const [another, setAnother] = useState<QuestionJson | null>(null)
  // What the desk begins with stays, also when the question is asked for again beside it.
  const [first, setFirst] = useState<{ question: QuestionJson; revision: number } | null>(null)
  const problem = whole.error ?? kept.error
  if (problem || whole.isPending || kept.isPending)
    return (
      <Shell title={texts.desk.stem} crumbs={[{ title: texts.banks.title, to: '/banks' }, { title: '…' }]}>
        {problem ? <Nothing title={problem.message} /> : <Waiting text={texts.loading} />}
      </Shell>
    )
  if (!whole.data) return null
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
        onAnother={() => setAnother(nextAfter(another, defaults))}
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
      onAnother={() => setAnother(nextAfter(whole.data.question, defaults))}
      {...(old ? restored(id, () => setDiscarded(discarded + 1)) : {})}
    />
  )
}
