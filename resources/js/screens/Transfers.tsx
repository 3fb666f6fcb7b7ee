import { useQuery } from '@tanstack/react-query'
import { ArrowDownToLine, ArrowUpFromLine } from 'lucide-react'
import { Link, useNavigate } from 'react-router'
import { type Transfer, transfersQuery } from '@/api/intakes'
import { Button } from '@/components/Button'
import { Nothing } from '@/components/Message'
import { Asked } from '@/frame/Asked'
import { Shell } from '@/frame/Shell'
import { texts } from '@/texts'

/** Everything that came in and went out. */
export function Transfers() {
  const navigate = useNavigate()
  const rows = useQuery(transfersQuery)
  return (
    <Shell
      title={texts.transfers.title}
      crumbs={[{ title: texts.transfers.title }]}
      actions={
        <Button look="primary" onClick={() => navigate('/intakes/new')}>
          {texts.transfers.bring}
        </Button>
      }
    >
      <div className="h-full overflow-y-auto px-4">
        <Asked query={rows} />
        {rows.data?.length === 0 ? (
          <Nothing title={texts.transfers.none}>
            <p>{texts.transfers.noneNext}</p>
            <p className="mt-3">
              <Button onClick={() => navigate('/intakes/new')}>{texts.transfers.bring}</Button>
            </p>
          </Nothing>
        ) : null}
        {rows.data && rows.data.length > 0 ? (
          <table className="mx-auto my-4 w-full max-w-240">
            <thead>
              <tr className="border-edge border-b text-left text-caption text-quiet">
                <th className="py-2 pr-4 font-normal">{texts.transfers.columns.title}</th>
                <th className="pr-4 font-normal">{texts.transfers.columns.state}</th>
                <th className="pr-4 text-right font-normal">{texts.transfers.columns.questions}</th>
                <th className="pr-4 font-normal max-md:hidden">{texts.transfers.columns.bank}</th>
                <th className="pr-4 font-normal max-md:hidden">{texts.transfers.columns.person}</th>
                <th className="font-normal max-sm:hidden">{texts.transfers.columns.at}</th>
              </tr>
            </thead>
            <tbody>
              {rows.data.map((row) => (
                <Row key={row.id} row={row} />
              ))}
            </tbody>
          </table>
        ) : null}
      </div>
    </Shell>
  )
}

function Row({ row }: { row: Transfer }) {
  const Icon = row.direction === 'in' ? ArrowDownToLine : ArrowUpFromLine
  const tone = row.state === 'failed' ? 'text-problem' : row.state === 'review' ? 'text-attention' : ''
  return (
    <tr className="border-hairline border-b">
      <td className="py-2.5 pr-4">
        <span className="flex items-center gap-2">
          <Icon size={16} aria-label={texts.transfers.direction[row.direction]} className="flex-none text-quiet" />
          <Link
            className="font-semibold text-ink hover:text-accent hover:underline"
            to={row.direction === 'in' ? `/intakes/${row.id}` : `/dispatches/${row.id}`}
          >
            {row.title}
          </Link>
        </span>
      </td>
      <td className={`pr-4 ${tone}`}>{texts.transfers.state[row.state]}</td>
      <td className="pr-4 text-right tabular-nums">{row.questions.toLocaleString('en-GB')}</td>
      <td className="pr-4 text-second max-md:hidden">{row.bank}</td>
      <td className="pr-4 text-second max-md:hidden">{row.person}</td>
      <td className="text-second max-sm:hidden">{texts.when(row.created_at)}</td>
    </tr>
  )
}
