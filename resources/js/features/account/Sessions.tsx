import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { endSessions, sessionsQuery } from '@/api/account'
import { moment } from '@/lib/format'
import { texts } from '@/messages'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { useToast } from '@/ui/Toasts'

/** Every browser somebody is signed in with, and a way to end all others. */
export function Sessions() {
  const client = useQueryClient()
  const tell = useToast()
  const sessions = useQuery(sessionsQuery)
  const words = texts.account.sessions
  const end = useMutation({
    mutationFn: endSessions,
    onSuccess: () => tell({ text: words.ended }),
    onSettled: () => client.invalidateQueries({ queryKey: sessionsQuery.queryKey }),
  })
  return (
    <>
      <Asked query={sessions} />
      <ul className="mb-3">
        {sessions.data?.map((session) => (
          <li key={session.id} className="border-hairline border-b py-1.5">
            <span className="font-semibold">{session.here ? words.here : session.browser}</span>{' '}
            <span className="text-caption text-second">
              {session.here ? `${session.browser}, ` : ''}
              {session.address}
              {session.here ? '' : `, ${words.lastUsed({ when: moment(session.last_used) })}`}
            </span>
          </li>
        ))}
      </ul>
      <Button onClick={() => end.mutate()} aria-disabled={end.isPending || (sessions.data?.length ?? 0) < 2}>
        {words.end}
      </Button>
    </>
  )
}
