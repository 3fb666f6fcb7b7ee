import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Link } from 'react-router'
import { type Failed, failedQuery, retry } from '@/api/people'
import { moment } from '@/lib/format'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Nothing } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'

const words = texts.work
const addresses: Partial<Record<Failed['kind'], string>> = { intake: '/intakes', dispatch: '/dispatches', act: '/acts' }

/** Work in the background that failed, and a way to try again. */
export function Work() {
  const failed = useQuery(failedQuery)
  return (
    <Shell title={texts.frame.work} crumbs={[{ title: texts.frame.work }]}>
      <div className="h-full overflow-y-auto px-4">
        <Asked query={failed} />
        {failed.data?.length === 0 ? <Nothing title={words.none}>{words.about}</Nothing> : null}
        {failed.data && failed.data.length > 0 ? (
          <div className="mx-auto w-full max-w-240 py-4">
            <p className="mb-2 text-second">{words.about}</p>
            <table className="w-full">
              <thead>
                <tr className="border-edge border-b text-left text-caption text-quiet">
                  {Object.values(words.columns).map((title) => (
                    <th key={title} className="py-2 pr-4 font-normal">
                      {title}
                    </th>
                  ))}
                  <th>
                    <span className="sr-only">{words.again}</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {failed.data.map((one) => (
                  <Row key={one.id} one={one} />
                ))}
              </tbody>
            </table>
          </div>
        ) : null}
      </div>
    </Shell>
  )
}

function Row({ one }: { one: Failed }) {
  const client = useQueryClient()
  const tell = useToast()
  const again = useMutation({
    mutationFn: () => retry(one),
    onSuccess: () => tell({ text: words.begun }),
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
    onSettled: () => client.invalidateQueries({ queryKey: failedQuery.queryKey }),
  })
  const address = addresses[one.kind]
  return (
    <tr className="border-hairline border-b">
      <td className="py-2 pr-4">
        <span className="block font-semibold">
          {one.title && address ? (
            <Link className="text-ink hover:text-accent hover:underline" to={`${address}/${one.id}`}>
              {one.title}
            </Link>
          ) : (
            one.title || words.kinds[one.kind]
          )}
        </span>
        <span className="text-caption text-second">
          {words.kinds[one.kind]}
          {one.bank ? `, ${one.bank}` : ''}
        </span>
      </td>
      <td className="pr-4">{one.problem ?? words.unknown}</td>
      <td className="pr-4 text-second">{one.person}</td>
      <td className="pr-4 whitespace-nowrap text-second">{moment(one.at)}</td>
      <td className="text-right">
        <Button onClick={() => again.mutate()} aria-disabled={again.isPending}>
          {words.again}
        </Button>
      </td>
    </tr>
  )
}
