import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Link, useNavigate, useParams } from 'react-router'
import { intakeQuery, type Receipt, receiptQuery, undoIntake } from '@/api/intakes'
import { moment } from '@/lib/format'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Button } from '@/ui/Button'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { DispatchReport } from './dispatch/DispatchReport'
import { ReceiptDownloads } from './dispatch/ReceiptDownloads'
import { MadeList } from './intake/MadeList'
import { ReceiptTable } from './intake/ReceiptTable'
import { Assumptions } from './migration/Assumptions'
import { TallyLines } from './migration/TallyLines'

/** A receipt by its address, or that of an intake which is in its bank. */
export function ReceiptScreen({ id }: { id?: string }) {
  const named = useParams().id ?? ''
  const receipt = useQuery(receiptQuery(id ?? named))
  const title = receipt.data ? `${texts.intake.receipt}: ${receipt.data.title}` : texts.intake.receipt
  return (
    <Shell
      title={title}
      crumbs={[{ title: texts.transfers.title, to: '/transfers' }, { title: receipt.data?.title ?? '…' }]}
      actions={
        receipt.data ? (
          receipt.data.kind === 'dispatch' ? (
            <ReceiptDownloads id={receipt.data.id} />
          ) : (
            <Actions receipt={receipt.data} />
          )
        ) : null
      }
    >
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is scrolled by keys (WCAG 2.1.1) */}
      <section tabIndex={0} aria-label={title} className="-outline-offset-2 h-full overflow-y-auto">
        {receipt.isPending ? <Waiting text={texts.loading} /> : null}
        {receipt.isError ? <Nothing title={receipt.error.message} /> : null}
        {receipt.data?.kind === 'dispatch' ? (
          <DispatchReport title={receipt.data.title} at={receipt.data.at} body={receipt.data.body} />
        ) : receipt.data ? (
          <Body receipt={receipt.data} />
        ) : null}
      </section>
    </Shell>
  )
}

function Actions({ receipt }: { receipt: Receipt }) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const intake = useQuery({ ...intakeQuery(receipt.intake ?? ''), enabled: receipt.intake !== null })
  const undo = useMutation({
    mutationFn: () => undoIntake(receipt.intake ?? ''),
    onSuccess: (now) => {
      client.setQueryData(intakeQuery(now.id).queryKey, now)
      client.invalidateQueries()
      navigate(`/intakes/${now.id}`)
    },
  })
  const latest = intake.data?.receipts[0]?.id === receipt.id && intake.data.state === 'committed'
  return (
    <>
      {undo.isError ? <span className="text-problem">{undo.error.message}</span> : null}
      <ReceiptDownloads id={receipt.id} />
      {latest ? (
        <Button title={texts.intake.undoAbout} onClick={() => undo.mutate()} aria-disabled={undo.isPending}>
          {texts.intake.undo}
        </Button>
      ) : null}
      {intake.data?.state === 'review' ? <Button onClick={() => navigate(`/intakes/${receipt.intake}`)}>{texts.intake.back}</Button> : null}
      {receipt.body.bank ? (
        <Button look="primary" onClick={() => navigate(`/banks/${receipt.body.bank?.slug}`)}>
          {texts.intake.toBank({ bank: receipt.body.bank.name })}
        </Button>
      ) : null}
    </>
  )
}

/** Every loss with its question. */
function Lost({ losses }: { losses: NonNullable<Receipt['body']['losses']> }) {
  return (
    <section aria-label={texts.intake.lost}>
      <h3 className="font-semibold">{texts.intake.lost}</h3>
      <ul className="list-disc pl-5">
        {losses.map((one, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the same may be said twice
          <li key={i}>
            {one.question ? (
              <Link className="text-accent underline" to={`/questions/${one.question}`}>
                {one.title || texts.dispatch.untitled}
              </Link>
            ) : (
              <strong>{one.title}</strong>
            )}
            {one.title || one.question ? ': ' : ''}
            {one.message}
          </li>
        ))}
      </ul>
    </section>
  )
}

function Body({ receipt }: { receipt: Receipt }) {
  const { body } = receipt
  return (
    <div className="mx-auto flex max-w-200 flex-col gap-6 p-6 max-md:p-4">
      <header>
        <h2 className="text-title font-semibold">
          {texts.intake.receiptOf[receipt.kind]}
          {body.bank ? `: ${[body.bank.name, ...body.folder].join(' › ')}` : ''}
        </h2>
        <p className="text-second">{texts.intake.by({ person: receipt.person ?? '', at: moment(receipt.at) })}</p>
      </header>
      {body.taken_back ? (
        <Message look="done">
          {texts.intake.takenBack({ added: body.taken_back.added, replaced: body.taken_back.replaced, left: body.left?.length ?? 0 })}
        </Message>
      ) : null}
      {body.migration ? (
        <section aria-label={texts.migration.tally.title} className="flex flex-col gap-3">
          <h3 className="font-semibold">{texts.migration.tally.title}</h3>
          <TallyLines lines={body.migration.lines} quizzes={body.migration.quizzes} />
        </section>
      ) : null}
      <Assumptions receipt={receipt} />
      <ReceiptTable body={body} />
      {body.losses && body.losses.length > 0 ? <Lost losses={body.losses} /> : null}
      {receipt.kind === 'intake' && receipt.intake ? (
        <>
          <MadeList intake={receipt.intake} way="added" />
          <MadeList intake={receipt.intake} way="replaced" />
        </>
      ) : null}
      {body.left && body.left.length > 0 ? (
        <section aria-label={texts.intake.stayed}>
          <h3 className="font-semibold">{texts.intake.stayed}</h3>
          <ul>
            {body.left.map((one) => (
              <li key={one.id}>
                <Link className="text-accent underline" to={`/questions/${one.id}`}>
                  {one.title}
                </Link>{' '}
                <span className="text-second">{one.why}</span>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </div>
  )
}
