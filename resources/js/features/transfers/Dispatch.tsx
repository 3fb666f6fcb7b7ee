import { useQuery } from '@tanstack/react-query'
import { useParams } from 'react-router'
import { dispatchQuery } from '@/api/dispatches'
import { texts } from '@/messages'
import { settings } from '@/settings'
import { Shell } from '@/shell/Shell'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { Delivery, takes } from './dispatch/Delivery'
import { DispatchReport } from './dispatch/DispatchReport'
import { ReceiptDownloads } from './dispatch/ReceiptDownloads'

/** A file that was written: what is lost in it, then the file. */
export function Dispatch() {
  const id = useParams().id ?? ''
  const one = useQuery(dispatchQuery(id))
  const ready = one.data?.state === 'ready'
  return (
    <Shell
      title={one.data?.title ?? texts.dispatch.title}
      crumbs={[{ title: texts.transfers.title, to: '/transfers' }, { title: one.data?.title ?? '…' }]}
      actions={
        ready ? (
          <>
            {one.data?.receipt ? <ReceiptDownloads id={one.data.receipt} /> : null}
            <a
              href={`/api/v1/dispatches/${id}/file`}
              className="inline-flex min-h-8 items-center rounded-ui border border-accent bg-accent px-3 font-semibold text-on-accent hover:brightness-110"
            >
              {texts.dispatch.fetch}
            </a>
          </>
        ) : null
      }
    >
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is scrolled by keys (WCAG 2.1.1) */}
      <section tabIndex={0} aria-label={one.data?.title ?? texts.transfers.title} className="-outline-offset-2 h-full overflow-y-auto">
        {one.isError ? <Nothing title={one.error.message} /> : null}
        {one.isPending || one.data?.state === 'writing' ? <Waiting text={texts.dispatch.writing} /> : null}
        {one.data?.state === 'failed' ? (
          <div className="p-6">
            <Message look="problem">{one.data.problem}</Message>
          </div>
        ) : null}
        {one.data && ready ? <DispatchReport title={one.data.title} at={one.data.created_at} body={one.data.body} /> : null}
        {one.data && ready && settings.demo && takes(one.data.body) ? <Delivery id={id} body={one.data.body} /> : null}
      </section>
    </Shell>
  )
}
