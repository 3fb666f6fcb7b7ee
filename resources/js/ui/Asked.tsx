import { texts } from '@/messages'
import { Button } from './Button'
import { Message, Waiting } from './Message'

type Query = { isPending: boolean; isError: boolean; error: Error | null; refetch: () => unknown }

/** While something is asked for: that one waits, or why it failed and a way to ask again. Nothing once it is there. */
export function Asked({ query }: { query: Query }) {
  if (query.isPending) return <Waiting text={texts.loading} />
  if (!query.isError) return null
  return (
    <div className="p-3">
      <Message look="problem" actions={<Button onClick={() => query.refetch()}>{texts.problem.retry}</Button>}>
        {query.error?.message}
      </Message>
    </div>
  )
}
