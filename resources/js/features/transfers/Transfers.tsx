import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { ArrowDownToLine, ArrowUpFromLine, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { dropIntake, type Transfer, transfersQuery } from '@/api/intakes'
import { moment, number } from '@/lib/format'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { Message, Nothing } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'

/** Everything that came in and went out. */
export function Transfers() {
  const navigate = useNavigate()
  const rows = useQuery(transfersQuery)
  const client = useQueryClient()
  const tell = useToast()
  const [deleting, setDeleting] = useState<Transfer | null>(null)
  const drop = useMutation({
    mutationFn: (row: Transfer) => dropIntake(row.id),
    onSuccess: (_, row) => {
      tell({ text: texts.intake.discarded({ title: row.title }) })
      client.invalidateQueries({ queryKey: ['transfers'] })
      setDeleting(null)
    },
  })
  return (
    <Shell
      title={texts.transfers.title}
      crumbs={[{ title: texts.transfers.title }]}
      actions={
        <Button look="primary" onClick={() => navigate('/intakes/new')}>
          {texts.frame.bring}
        </Button>
      }
    >
      <div className="h-full overflow-y-auto px-4">
        <Asked query={rows} />
        {rows.data?.length === 0 ? (
          <Nothing title={texts.transfers.none}>
            <p>{texts.transfers.noneNext}</p>
            <p className="mt-3">
              <Button onClick={() => navigate('/intakes/new')}>{texts.frame.bring}</Button>
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
                <td className="w-10" />
              </tr>
            </thead>
            <tbody>
              {rows.data.map((row) => (
                <Row key={row.id} row={row} onDelete={() => setDeleting(row)} />
              ))}
            </tbody>
          </table>
        ) : null}
      </div>
      {deleting ? (
        <Dialog
          open
          onClose={() => setDeleting(null)}
          title={texts.transfers.remove({ title: deleting.title })}
          closeName={texts.frame.close}
          actions={
            <>
              <Button onClick={() => setDeleting(null)}>{texts.frame.cancel}</Button>
              <Button look="primary" aria-disabled={drop.isPending} onClick={() => !drop.isPending && drop.mutate(deleting)}>
                {texts.transfers.removeGo}
              </Button>
            </>
          }
        >
          <p>{texts.transfers.removeAbout}</p>
          {drop.isError ? <Message look="problem">{drop.error.message}</Message> : null}
        </Dialog>
      ) : null}
    </Shell>
  )
}

const deletable = (row: Transfer) => row.direction === 'in' && ['choosing', 'review', 'failed', 'cancelled'].includes(row.state)

function Row({ row, onDelete }: { row: Transfer; onDelete: () => void }) {
  const Icon = row.direction === 'in' ? ArrowDownToLine : ArrowUpFromLine
  const tone = row.state === 'failed' ? 'text-problem' : ['choosing', 'review'].includes(row.state) ? 'text-attention' : ''
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
      <td className="pr-4 text-right tabular-nums">{number(row.questions)}</td>
      <td className="pr-4 text-second max-md:hidden">{row.bank}</td>
      <td className="pr-4 text-second max-md:hidden">{row.person}</td>
      <td className="text-second max-sm:hidden">{moment(row.created_at)}</td>
      <td className="text-right">
        {deletable(row) ? (
          <Button
            look="quiet"
            className="!px-1"
            aria-label={texts.transfers.remove({ title: row.title })}
            title={texts.transfers.remove({ title: row.title })}
            onClick={onDelete}
          >
            <Trash2 size={16} aria-hidden="true" />
          </Button>
        ) : null}
      </td>
    </tr>
  )
}
