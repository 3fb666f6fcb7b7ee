import { useQuery } from '@tanstack/react-query'
import { questionQuery } from '@/api/queries'
import { texts } from '@/messages'
import { factsOf } from '@/question/details/factsOf'
import { QuestionDetails } from '@/question/details/QuestionDetails'
import { useDetails } from '@/question/details/useDetails'
import { TryPane } from '@/question/try/TryPane'
import { UsedIn } from '@/question/UsedIn'
import { Button } from '@/ui/Button'
import { Message, Waiting } from '@/ui/Message'

type Props = { id: string; taken: boolean; onToggle: () => void }

/** A question before it is taken: as learners meet it, tried, with its key, and where it is used. */
export function PickReading({ id, taken, onToggle }: Props) {
  const details = useDetails()
  const whole = useQuery(questionQuery(id))
  return (
    <section aria-label={texts.assembly.reading} className="flex h-full min-h-0 flex-col bg-page">
      <header className="flex flex-none items-center gap-2 border-hairline border-b px-3 py-1.5">
        <h2 className="min-w-0 flex-1 truncate font-semibold">{whole.data?.name ?? '…'}</h2>
        <Button {...(taken ? {} : { look: 'primary' as const })} onClick={onToggle}>
          {taken ? texts.assembly.takeBackShort : texts.assembly.add}
        </Button>
      </header>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by keyboard too */}
      <section aria-label={texts.assembly.readingBody} tabIndex={0} className="-outline-offset-2 min-h-0 flex-1 overflow-y-auto p-3">
        {whole.isError ? <Message look="problem">{whole.error.message}</Message> : null}
        {whole.isPending ? <Waiting text={texts.loading} /> : null}
        {whole.data ? (
          <>
            <TryPane
              stored
              question={whole.data.question}
              bank={whole.data.bank.slug}
              showKey={details.has('key')}
              showFeedback={details.has('feedback')}
            />
            <QuestionDetails facts={factsOf(whole.data)} />
            <UsedIn uses={whole.data.uses} />
          </>
        ) : null}
      </section>
    </section>
  )
}
