import { useMutation, useQueryClient } from '@tanstack/react-query'
import { commitIntake, dropIntake, type Intake } from '@/api/intakes'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Message } from '@/ui/Message'

const titles = {
  reading: texts.intake.reading,
  correcting: texts.intake.correcting,
  undoing: texts.intake.undoing,
  committing: texts.intake.committing,
}

/** How far reading, importing or undoing is; it goes on when one leaves. */
export function Progress({ intake }: { intake: Intake }) {
  const client = useQueryClient()
  const refresh = () => client.invalidateQueries({ queryKey: ['intake', intake.id] })
  const stop = useMutation({ mutationFn: () => dropIntake(intake.id), onSettled: refresh })
  const goOn = useMutation({ mutationFn: () => commitIntake(intake.id), onSettled: refresh })
  const reading = intake.state === 'reading'
  const all = intake.found
  const done = intake.state === 'undoing' ? all - intake.settled : intake.settled
  const percent = Math.round(100 * (reading ? intake.read : all === 0 ? 1 : done / all))
  const isCorrecting = intake.state === 'correcting'
  const title = titles[intake.state in titles ? (intake.state as keyof typeof titles) : 'committing']
  return (
    <div className="mx-auto flex max-w-140 flex-col gap-4 p-8">
      <h2 className="text-title font-semibold">{title}</h2>
      {isCorrecting ? null : <progress aria-label={title} value={percent} max={100} className="h-3 w-full" />}
      <p role="status">
        {isCorrecting
          ? texts.intake.correctingAbout({ n: all })
          : reading
            ? texts.intake.found({ n: intake.found, percent })
            : texts.intake.settled({ n: done, all })}
      </p>
      {intake.problem ? (
        <Message look="problem" actions={<Button onClick={() => goOn.mutate()}>{texts.intake.goOn}</Button>}>
          {intake.problem}
        </Message>
      ) : null}
      {reading ? (
        <p>
          <Button onClick={() => stop.mutate()} aria-disabled={stop.isPending}>
            {texts.intake.stop}
          </Button>
        </p>
      ) : null}
    </div>
  )
}
