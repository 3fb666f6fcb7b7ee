import type { DispatchBody } from '@/api/dispatches'
import { fileSize, moment } from '@/lib/format'
import { exportHolds } from '@/lib/phrases/transfers'
import { texts } from '@/messages'
import { Message } from '@/ui/Message'

const words = texts.dispatch

/** What a file holds, what could not be said in it, and how to know it again. */
export function DispatchReport({ title, at, body }: { title: string; at: string; body: Partial<DispatchBody> }) {
  const notices = body.notices ?? []
  const losses = notices.filter((one) => one.severity !== 'note')
  const notes = notices.filter((one) => one.severity === 'note')
  const lost = (body.counts?.loss ?? 0) + (body.counts?.problem ?? 0)
  const behind = Object.entries(body.along ?? {}).filter(([, goes]) => !goes)
  const list = (some: typeof notices, all: number) => (
    <ul className="list-disc pl-5">
      {some.map((one, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the same may be said twice
        <li key={i}>
          {one.title ? <strong>{one.title}: </strong> : null}
          {one.message}
        </li>
      ))}
      {all > some.length ? <li>{words.more({ n: all - some.length })}</li> : null}
    </ul>
  )
  return (
    <div className="mx-auto flex max-w-180 flex-col gap-4 p-6 max-md:p-4">
      <header>
        <h2 className="text-title font-semibold">{title}</h2>
        <p className="text-second">
          {words.formats[body.format ?? ''] ?? body.format}, {exportHolds(body)}, {fileSize(body.bytes ?? 0)}, {moment(at)}
        </p>
      </header>
      {lost === 0 ? <Message look="done">{words.noLosses}</Message> : null}
      {lost > 0 ? (
        <section aria-label={words.losses({ n: lost })}>
          <h3 className="mb-1 font-semibold text-attention">{words.losses({ n: lost })}</h3>
          {list(losses, lost)}
        </section>
      ) : null}
      {notes.length > 0 ? (
        <section aria-label={words.notes({ n: body.counts?.note ?? 0 })}>
          <h3 className="mb-1 font-semibold text-information">{words.notes({ n: body.counts?.note ?? 0 })}</h3>
          {list(notes, body.counts?.note ?? 0)}
        </section>
      ) : null}
      {behind.length > 0 ? (
        <p>
          <strong>{words.without}:</strong> {behind.map(([key]) => words.alongs[key]).join(', ')}
        </p>
      ) : null}
      <p className="text-caption text-quiet">
        {words.hash} <code className="[overflow-wrap:anywhere]">{body.sha256}</code>
      </p>
    </div>
  )
}
