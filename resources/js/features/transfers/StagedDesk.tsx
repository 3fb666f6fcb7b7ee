import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useParams } from 'react-router'
import { intakeQuery, stagedOneQuery } from '@/api/intakes'
import { autosaveQuery } from '@/api/queries'
import { inIntake } from '@/editor/home'
import { Workbench } from '@/editor/Workbench'
import { restored, unsaved } from '@/lib/saving/unsaved'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Nothing, Waiting } from '@/ui/Message'
import { MediaFrom } from '@/ui/media'

/** A question of an intake on the ordinary desk. */
export function StagedDesk() {
  const { id = '', staged = '' } = useParams()
  return <Staged key={staged} intake={id} id={staged} />
}

function Staged({ intake, id }: { intake: string; id: string }) {
  const subject = `staged:${id}`
  const whole = useQuery(intakeQuery(intake))
  const one = useQuery({ ...stagedOneQuery(intake, id), refetchOnWindowFocus: false })
  const kept = useQuery(autosaveQuery(subject))
  const [discarded, setDiscarded] = useState(0)
  const [first, setFirst] = useState(one.data)
  const crumbs = [
    { title: texts.transfers.title, to: '/transfers' },
    { title: whole.data?.title ?? '…', to: `/intakes/${intake}?question=${id}` },
  ]
  const problem = one.error ?? whole.error ?? kept.error
  if (problem || !one.data || !whole.data || kept.isPending)
    return (
      <Shell title={texts.desk.stem} crumbs={[...crumbs, { title: '…' }]}>
        {problem ? <Nothing title={problem.message} /> : <Waiting text={texts.loading} />}
      </Shell>
    )
  if (!first) {
    setFirst(one.data)
    return null
  }
  const { next } = one.data
  const old = discarded > 0 ? null : unsaved(subject, kept.data)
  const start = discarded > 0 ? one.data : first
  return (
    <MediaFrom value={(medium) => `/api/v1/intakes/${intake}/media/${medium}`}>
      <Workbench
        key={`${id} ${discarded}`}
        home={inIntake(
          whole.data,
          id,
          whole.data.bank?.slug ?? '',
          `/intakes/${intake}?question=${id}`,
          next ? `/intakes/${intake}/questions/${next}` : undefined,
        )}
        crumbs={crumbs}
        revision={old ? (old.base ?? start.version) : start.version}
        start={old ? old.content : start.question}
        dirty={old !== null}
        {...(old ? restored(subject, () => setDiscarded(discarded + 1)) : {})}
      />
    </MediaFrom>
  )
}
