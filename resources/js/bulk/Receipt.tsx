import { useInfiniteQuery, useMutation, useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { actChangesQuery, actQuery, undoAct } from '@/api/acts'
import { moment } from '@/lib/format'
import { texts } from '@/messages'
import { FieldChanges } from '@/question/record/FieldChanges'
import { Button } from '@/ui/Button'
import { ActProgress } from './ActProgress'
import { summary } from './summary'
import { useActToast } from './useAct'

const words = texts.acts

/** An act whole: how far it is, what it left and why, and what it changed question by question. */
export function ActReceipt({ id }: { id: string }) {
  const act = useQuery(actQuery(id)).data
  const changes = useInfiniteQuery(actChangesQuery(id))
  const told = useActToast()
  const again = useMutation({ mutationFn: (question: string) => undoAct(act?.undoes ?? id, [question]), onSuccess: told })
  const rows = changes.data?.pages.flatMap((page) => page.data) ?? []
  return (
    <article className="flex flex-col gap-5 px-8 py-5 max-md:px-4">
      <header>
        <h2 className="text-head font-semibold">
          {act ? [words.kind[act.kind], ...(act.what ? [summary(act.what)] : [])].join(': ') : '…'}
        </h2>
        <p className="text-second">{act ? words.by({ person: act.person ?? words.somebody, when: moment(act.created_at) }) : ''}</p>
      </header>
      <ActProgress id={id} />
      {act && act.left_count > 0 ? (
        <section aria-label={words.left({ count: act.left_count })}>
          <h3 className="font-semibold">{words.left({ count: act.left_count })}</h3>
          <ul>
            {act.left.map((one) => (
              <li key={one.id} className="flex flex-wrap items-center gap-3 border-hairline border-b py-1.5">
                <Link className="text-accent underline" to={`/questions/${one.id}`}>
                  {one.title}
                </Link>
                <span className="min-w-0 flex-1 text-second">{one.why}</span>
                {act.undoes ? (
                  <Button look="quiet" onClick={() => again.mutate(one.id)}>
                    {words.putBack}
                  </Button>
                ) : null}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      {rows.length > 0 ? (
        <section aria-label={words.changes}>
          <h3 className="font-semibold">{words.changes}</h3>
          <ul>
            {rows.map((one) => (
              <li key={one.id} className="flex flex-wrap items-start gap-x-4 gap-y-1 border-hairline border-b py-2">
                <Link className="w-64 flex-none text-accent underline max-md:w-full" to={`/questions/${one.id}`}>
                  {one.title}
                </Link>
                <div className="min-w-0 flex-1">
                  <FieldChanges fields={one.fields} />
                </div>
              </li>
            ))}
          </ul>
          {changes.hasNextPage ? (
            <Button className="mt-3" onClick={() => changes.fetchNextPage()}>
              {words.more}
            </Button>
          ) : null}
        </section>
      ) : null}
    </article>
  )
}
