import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useLocation, useParams } from 'react-router'
import { autosaveQuery, bankQuery } from '@/api/queries'
import { type StimulusJson, stimulusQuery } from '@/api/stimuli'
import { uuid7 } from '@/editor/fresh'
import { restored, unsaved } from '@/lib/saving/unsaved'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Nothing, Waiting } from '@/ui/Message'
import { StimulusBench } from './StimulusBench'

const trail = (bank?: { slug: string; name: string }, stimulus?: string) => [
  { title: texts.banks.title, to: '/banks' },
  { title: bank?.name ?? '…', to: `/banks/${bank?.slug ?? ''}` },
  { title: texts.bank.stimuli, to: `/banks/${bank?.slug ?? ''}/stimuli${stimulus ? `?stimulus=${stimulus}` : ''}` },
]

/** The question one came from, to go back to. */
const useBack = () => {
  const state = useLocation().state as { back?: string } | null
  return state?.back
}

/** Writing a new stimulus into a bank. */
export function NewStimulusDesk() {
  const slug = useParams().slug ?? ''
  const subject = `new-stimulus:${slug}`
  const bank = useQuery(bankQuery(slug))
  const kept = useQuery(autosaveQuery<StimulusJson>(subject))
  const back = useBack()
  const [begun, setBegun] = useState<StimulusJson | null>(null)
  const crumbs = [...trail(bank.data), { title: texts.stimuli.fresh }]
  const problem = bank.error ?? kept.error
  if (problem || bank.isPending || kept.isPending)
    return (
      <Shell title={texts.stimuli.fresh} crumbs={crumbs}>
        {problem ? <Nothing title={problem.message} /> : <Waiting text={texts.loading} />}
      </Shell>
    )
  if (!bank.data) return null
  const old = begun ? null : unsaved<StimulusJson>(subject, kept.data)
  const start = begun ?? old?.content
  if (!start) {
    setBegun({ id: uuid7(), title: '', language: 'en-GB', body: '<p></p>' })
    return null
  }
  return (
    <StimulusBench
      key={start.id}
      bank={bank.data}
      subject={subject}
      crumbs={trail(bank.data)}
      revision={0}
      start={start}
      dirty={old !== null}
      {...(back ? { back } : {})}
      {...(old
        ? restored(subject, () => setBegun({ id: uuid7(), title: '', language: 'en-GB', body: '<p></p>' }), texts.desk.startFresh)
        : {})}
    />
  )
}

/** Writing on a stimulus that is there. */
export function StimulusDesk() {
  const id = useParams().id ?? ''
  return <Stored key={id} id={id} />
}

function Stored({ id }: { id: string }) {
  const subject = `stimulus:${id}`
  const whole = useQuery({ ...stimulusQuery(id), refetchOnWindowFocus: false })
  const kept = useQuery(autosaveQuery<StimulusJson>(subject))
  const back = useBack()
  const [discarded, setDiscarded] = useState(0)
  const [first, setFirst] = useState<{ stimulus: StimulusJson; revision: number } | null>(null)
  const problem = whole.error ?? kept.error
  if (problem || whole.isPending || kept.isPending)
    return (
      <Shell title={texts.stimuli.one} crumbs={[...trail(), { title: '…' }]}>
        {problem ? <Nothing title={problem.message} /> : <Waiting text={texts.loading} />}
      </Shell>
    )
  if (!whole.data) return null
  // What the desk begins with stays, also when the stimulus is asked for again beside it.
  if (first === null) {
    setFirst({ stimulus: whole.data.stimulus, revision: whole.data.revision })
    return null
  }
  const old = discarded > 0 ? null : unsaved<StimulusJson>(subject, kept.data)
  const now = discarded > 0 ? { stimulus: whole.data.stimulus, revision: whole.data.revision } : first
  return (
    <StimulusBench
      key={`${id} ${discarded}`}
      bank={whole.data.bank}
      subject={subject}
      crumbs={trail(whole.data.bank, id)}
      revision={old ? (old.base ?? now.revision) : now.revision}
      start={old ? old.content : now.stimulus}
      dirty={old !== null}
      whole={whole.data}
      {...(back ? { back } : {})}
      {...(old ? restored(subject, () => setDiscarded(discarded + 1)) : {})}
    />
  )
}
