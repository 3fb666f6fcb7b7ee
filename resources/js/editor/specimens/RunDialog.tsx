import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { Link } from 'react-router'
import { runQuery, type SpecimenRun, startRun, stopRun } from '@/api/specimens'
import { moment } from '@/lib/format'
import { texts } from '@/messages'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'

const words = texts.specimens.run

/** All specimens of a bank run in the background, with how far it is and what was found. */
export function RunDialog({ slug, mayWrite, onClose }: { slug: string; mayWrite: boolean; onClose: () => void }) {
  const client = useQueryClient()
  const run = useQuery(runQuery(slug))
  const start = useMutation({
    mutationFn: () => startRun(slug),
    onSuccess: (now) => client.setQueryData(runQuery(slug).queryKey, now),
  })
  const stop = useMutation({ mutationFn: stopRun, onSuccess: () => run.refetch() })
  const now = run.data ?? null
  const state = now?.state
  useEffect(() => {
    if (state === 'running' || state === undefined) return
    client.invalidateQueries({ queryKey: ['bank', slug, 'questions'] })
    client.invalidateQueries({ queryKey: ['bank', slug, 'facets'] })
    client.invalidateQueries({ queryKey: ['question'] })
  }, [state, client, slug])
  return (
    <Dialog
      open
      onClose={onClose}
      title={texts.bank.runSpecimens}
      about={words.about}
      closeName={texts.frame.close}
      actions={
        mayWrite ? (
          state === 'running' && now ? (
            <Button onClick={() => stop.mutate(now.id)}>{words.stop}</Button>
          ) : (
            <Button look="primary" aria-disabled={start.isPending} onClick={() => start.mutate()}>
              {now ? words.again : words.start}
            </Button>
          )
        ) : null
      }
    >
      <Asked query={run} />
      {start.isError ? (
        <p role="alert" className="text-problem">
          {start.error.message}
        </p>
      ) : null}
      <div role="status">{run.isSuccess ? <Outcome run={now} slug={slug} onClose={onClose} /> : null}</div>
    </Dialog>
  )
}

function Outcome({ run, slug, onClose }: { run: SpecimenRun | null; slug: string; onClose: () => void }) {
  if (run === null) return <p>{words.never}</p>
  if (run.state === 'running')
    return (
      <>
        <progress aria-label={words.progress} className="w-full accent-accent" value={run.done} max={Math.max(1, run.total)} />
        <p className="text-second">{words.going({ done: run.done, of: run.total })}</p>
      </>
    )
  return (
    <div className="flex flex-col gap-2">
      {run.state === 'stopped' ? <p className="text-attention">{words.stopped({ done: run.done, of: run.total })}</p> : null}
      {run.state === 'failed' ? <p className="text-problem">{words.failed}</p> : null}
      {run.done === 0 && run.state === 'done' ? <p>{words.none}</p> : null}
      {run.specimens > 0 && run.failing === 0 ? <p className="text-accent">{words.good({ n: run.specimens, of: run.done })}</p> : null}
      {run.failing > 0 ? (
        <p className="text-problem">
          {words.bad({ failing: run.failing, n: run.specimens, of: run.done })}{' '}
          <Link className="underline" to={`/banks/${slug}?is=failing`} onClick={onClose}>
            {words.see({ n: run.failing })}
          </Link>
        </p>
      ) : null}
      {run.varying > 0 && run.bad === 0 ? <p className="text-accent">{words.rollsGood({ n: run.varying })}</p> : null}
      {run.bad > 0 ? (
        <p className="text-problem">
          {words.rollsBad({ bad: run.bad, n: run.varying })}{' '}
          <Link className="underline" to={`/banks/${slug}?has=bad_rolls`} onClick={onClose}>
            {words.see({ n: run.bad })}
          </Link>
        </p>
      ) : null}
      {run.finished_at ? <p className="text-caption text-quiet">{moment(run.finished_at)}</p> : null}
    </div>
  )
}
