import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { useParams } from 'react-router'
import { intakeQuery, working } from '@/api/intakes'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Nothing, Waiting } from '@/ui/Message'
import { MediaFrom } from '@/ui/media'
import { ChooseParts } from './intake/ChooseParts'
import { Failed } from './intake/Failed'
import { Progress } from './intake/Progress'
import { Review } from './intake/Review'
import { ReceiptScreen } from './Receipt'

/** An intake as it stands: being read, to review, brought in. */
export function Intake() {
  const id = useParams().id ?? ''
  const intake = useQuery(intakeQuery(id))
  const state = intake.data?.state
  const client = useQueryClient()
  const was = useRef(state)
  useEffect(() => {
    // an import changes questions, topics, folders and assessments everywhere
    if (was.current && state && was.current !== state && (state === 'committed' || was.current === 'undoing')) client.invalidateQueries()
    was.current = state
  }, [state, client])
  const crumbs = [{ title: texts.transfers.title, to: '/transfers' }, { title: intake.data?.title ?? '…' }]
  if (intake.data && state === 'review')
    return (
      <MediaFrom value={(medium) => `/api/v1/intakes/${id}/media/${medium}`}>
        <Review key={id} intake={intake.data} crumbs={crumbs} />
      </MediaFrom>
    )
  if (intake.data && state === 'choosing')
    return (
      <Shell title={intake.data.title} crumbs={crumbs}>
        <ChooseParts intake={intake.data} />
      </Shell>
    )
  const receipt = intake.data?.receipts[0]
  if (state === 'committed' && receipt) return <ReceiptScreen id={receipt.id} />
  return (
    <Shell title={intake.data?.title ?? texts.intake.give} crumbs={crumbs}>
      {intake.isPending ? <Waiting text={texts.loading} /> : null}
      {intake.isError ? <Nothing title={intake.error.message} /> : null}
      {intake.data && (state === 'failed' || state === 'cancelled') ? <Failed intake={intake.data} /> : null}
      {intake.data && [...working, 'committed'].includes(state ?? '') ? <Progress intake={intake.data} /> : null}
    </Shell>
  )
}
