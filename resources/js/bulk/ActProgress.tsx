import { useMutation, useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import { actQuery, goesOn, resumeAct, stopAct, undoAct } from '@/api/acts'
import { texts } from '@/messages'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Message } from '@/ui/Message'
import { useActToast, useRefresh } from './useAct'

const words = texts.acts

/** How far an act is, with a way to stop it; at its end what it came to, with a way back. */
export function ActProgress({ id }: { id: string }) {
  const act = useQuery(actQuery(id))
  const refresh = useRefresh()
  const told = useActToast()
  const state = act.data?.state
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when it comes to its end
  useEffect(() => {
    if (state && state !== 'waiting' && state !== 'running') refresh()
  }, [state])
  const stop = useMutation({ mutationFn: () => stopAct(id), onSuccess: () => act.refetch() })
  const resume = useMutation({ mutationFn: () => resumeAct(id), onSuccess: () => act.refetch() })
  const undo = useMutation({ mutationFn: () => undoAct(id), onSuccess: told })
  const one = act.data
  const problem = stop.error ?? resume.error ?? undo.error
  return (
    <div className="flex flex-col gap-3">
      <Asked query={act} />
      {problem ? <Message look="problem">{problem.message}</Message> : null}
      {one && goesOn(one) ? (
        <>
          <progress aria-label={words.kind[one.kind]} className="w-full accent-accent" value={one.done} max={Math.max(1, one.total)} />
          <div className="flex flex-wrap items-center gap-3">
            <p role="status" className="flex-1">
              {one.state === 'waiting' ? words.going.waiting : words.going.running({ done: one.done, total: one.total })}{' '}
              <span className="text-quiet">{words.background}</span>
            </p>
            <Button onClick={() => stop.mutate()}>{words.stop}</Button>
          </div>
        </>
      ) : null}
      {one && !goesOn(one) ? (
        <Message
          look={one.state === 'done' ? 'done' : 'attention'}
          actions={
            <>
              {one.state !== 'done' && one.kind !== 'undo' ? <Button onClick={() => resume.mutate()}>{words.resume}</Button> : null}
              {one.may_undo ? (
                <Button aria-disabled={undo.isPending} onClick={() => (undo.isPending ? undefined : undo.mutate())}>
                  {words.undo}
                </Button>
              ) : null}
            </>
          }
        >
          {words.done[one.kind]?.({ count: one.changed, assessments: one.assessments })}{' '}
          {one.state === 'done' ? '' : words.states[one.state]} {one.undone ? words.undone : ''}
        </Message>
      ) : null}
    </div>
  )
}
