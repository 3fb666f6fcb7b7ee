import { useQuery } from '@tanstack/react-query'
import { type PrintReceipt, receiptsQuery } from '@/api/paper'
import { list, moment } from '@/lib/format'
import { texts } from '@/messages'
import { Asked } from '@/ui/Asked'

const words = texts.paper.print
const printing = texts.assembly.printing

/** What was taken to paper, the newest first; each can be downloaded again as it was. */
export function Receipts({ assessment }: { assessment: string }) {
  const receipts = useQuery(receiptsQuery(assessment))
  return (
    <details className="border-hairline border-t pt-2">
      <summary className="cursor-pointer font-semibold">{words.receipts}</summary>
      <Asked query={receipts} />
      {receipts.data?.length === 0 ? <p className="pt-2 text-quiet">{words.noReceipts}</p> : null}
      <ul className="flex flex-col gap-2 pt-2">
        {receipts.data?.map((one) => (
          <li key={one.id} className="flex flex-col border-hairline border-b pb-1.5">
            <a className="text-accent underline" href={`/api/v1/assessments/${assessment}/receipts/${one.id}`}>
              {words.receipt({ what: said(one), pages: one.pages })}
            </a>
            <span className="text-caption text-second">
              {words.receiptAt({ at: moment(one.printed_at), by: one.printed_by ?? texts.paper.forms.somebody })}
            </span>
            <span className="text-caption text-second">{words.versions({ n: Object.keys(one.revisions).length })}</span>
          </li>
        ))}
      </ul>
    </details>
  )
}

const said = (one: PrintReceipt): string =>
  [list(one.which.split(',').map((which) => printing.which[which] ?? which)), one.forms.join(', ')].filter(Boolean).join(': ')
