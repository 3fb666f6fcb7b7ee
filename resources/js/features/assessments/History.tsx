import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useNavigate, useParams } from 'react-router'
import { type AssessmentRevision, assessmentQuery, bringBackRevision, historyQuery } from '@/api/assembly'
import { moment } from '@/lib/format'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { useToast } from '@/ui/Toasts'

const words = texts.assembly.history

/** What an assessment was like, version by version, and a way back to each. */
export function History() {
  const id = useParams().id ?? ''
  const whole = useQuery({ ...assessmentQuery(id), staleTime: 0 })
  const history = useInfiniteQuery(historyQuery(id))
  const client = useQueryClient()
  const navigate = useNavigate()
  const tell = useToast()
  const bring = useMutation({
    mutationFn: (number: number) => bringBackRevision(id, number, whole.data?.version ?? 0),
    onSuccess: (now, number) => {
      client.setQueryData(assessmentQuery(id).queryKey, now)
      client.invalidateQueries({ queryKey: ['assessments'] })
      tell({ text: words.brought({ n: number }) })
      navigate(`/assessments/${id}`)
    },
    onError: (problem) => {
      tell({ text: problem.message, look: 'problem' })
      client.invalidateQueries({ queryKey: ['assessment', id] })
    },
  })
  const rows = history.data?.pages.flat() ?? []
  const title = whole.data?.title ?? '…'
  return (
    <Shell
      title={words.title}
      crumbs={[{ title: texts.assembly.title, to: '/assessments' }, { title, to: `/assessments/${id}` }, { title: words.title }]}
    >
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls can be reached by keyboard */}
      <section aria-label={words.title} tabIndex={0} className="-outline-offset-2 h-full overflow-y-auto">
        <div className="mx-auto flex max-w-180 flex-col gap-4 p-6 max-md:p-4">
          <p className="text-second">{words.about}</p>
          <Asked query={history} />
          <ol aria-label={words.list} className="rounded-ui border border-hairline bg-paper">
            {rows.map((row) => (
              <Version
                key={row.number}
                row={row}
                {...(whole.data?.may_write && !row.is_now ? { onBring: () => !bring.isPending && bring.mutate(row.number) } : {})}
              />
            ))}
          </ol>
          {history.hasNextPage ? (
            <p>
              <Button aria-disabled={history.isFetchingNextPage} onClick={() => history.fetchNextPage()}>
                {words.older}
              </Button>
            </p>
          ) : null}
        </div>
      </section>
    </Shell>
  )
}

function Version({ row, onBring }: { row: AssessmentRevision; onBring?: () => void }) {
  const said =
    row.brought_back !== null
      ? [words.broughtBack({ n: row.brought_back })]
      : row.number === 1 && row.changes.length === 0
        ? [words.begun]
        : []
  const lines = [...said, ...row.changes]
  return (
    <li className="flex items-start gap-4 border-hairline border-b px-4 py-3 last:border-b-0">
      <div className="min-w-0 flex-1">
        <h2 className="flex flex-wrap items-baseline gap-x-3">
          <span className="font-semibold">{words.version({ n: row.number })}</span>
          {row.is_now ? <span className="text-accent">{words.now}</span> : null}
          <span className="text-caption text-second">{words.by({ person: row.person ?? '—', when: moment(row.saved_at) })}</span>
        </h2>
        <ul className="mt-1">
          {(lines.length > 0 ? lines : [words.nothing]).map((line, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: lines do not move
            <li key={i}>{line}</li>
          ))}
        </ul>
      </div>
      {onBring ? (
        <Button aria-label={`${words.bring}: ${words.version({ n: row.number })}`} onClick={onBring}>
          {words.bring}
        </Button>
      ) : null}
    </li>
  )
}
