import { useInfiniteQuery } from '@tanstack/react-query'
import { securityLogQuery } from '@/api/people'
import { second } from '@/lib/format'
import { texts } from '@/messages'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'

const words = texts.people

/** What happened to accounts and rights. */
export function LogTab() {
  const log = useInfiniteQuery(securityLogQuery)
  return (
    <div className="px-4">
      <div className="mx-auto w-full max-w-240 py-4">
        <p className="mb-2 flex flex-wrap items-center gap-4 text-second">
          {words.logAbout}
          <a className="text-accent underline" href="/api/v1/admin/security-log?download">
            {words.download}
          </a>
        </p>
        <Asked query={log} />
        <table className="w-full">
          <thead>
            <tr className="border-edge border-b text-left text-caption text-quiet">
              {Object.values(words.log).map((title) => (
                <th key={title} className="py-2 pr-4 font-normal">
                  {title}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {log.data?.pages
              .flatMap((page) => page.data)
              .map((one) => (
                <tr key={one.id} className="border-hairline border-b">
                  <td className="py-1.5 pr-4 whitespace-nowrap text-second">{second(one.at)}</td>
                  <td className="pr-4">
                    {words.kinds[one.kind] ?? one.kind}
                    {typeof one.details.person === 'string' ? (
                      <span className="block text-caption text-second">{one.details.person}</span>
                    ) : null}
                  </td>
                  <td className="pr-4 [overflow-wrap:anywhere]">{one.person}</td>
                  <td className="pr-4 text-second">{one.address}</td>
                </tr>
              ))}
          </tbody>
        </table>
        {log.hasNextPage ? (
          <p className="mt-4">
            <Button onClick={() => log.fetchNextPage()} aria-disabled={log.isFetching}>
              {words.more}
            </Button>
          </p>
        ) : null}
      </div>
    </div>
  )
}
