import { texts } from '@/messages'

/** The receipt as a table for people and as JSON for programs. */
export function ReceiptDownloads({ id }: { id: string }) {
  return (
    <>
      {(['csv', 'json'] as const).map((kind) => (
        <a
          key={kind}
          href={`/api/v1/receipts/${id}?download=${kind}`}
          className="inline-flex min-h-8 items-center rounded-ui border border-edge bg-paper px-3 font-semibold hover:border-accent hover:text-accent"
        >
          {texts.intake.download[kind]}
        </a>
      ))}
    </>
  )
}
