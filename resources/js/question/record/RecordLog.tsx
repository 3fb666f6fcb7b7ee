import { useQuery } from '@tanstack/react-query'
import { changesQuery } from '@/api/queries'
import { moment } from '@/lib/format'
import { texts } from '@/messages'
import { Dialog } from '@/ui/Dialog'
import { Waiting } from '@/ui/Message'
import { fieldName, written } from './FieldChanges'

/** Who changed what of a record, in a dialog. */
export function RecordLog({ id, onClose }: { id: string; onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} title={texts.record.history} closeName={texts.frame.close}>
      <RecordChanges id={id} />
    </Dialog>
  )
}

export function RecordChanges({ id }: { id: string }) {
  const changes = useQuery(changesQuery(id))
  if (changes.isPending) return <Waiting text={texts.loading} />
  if (changes.isError) return <p className="text-problem">{changes.error.message}</p>
  if (changes.data.length === 0) return <p className="text-quiet">{texts.record.noHistory}</p>
  return (
    <ol>
      {changes.data.map((change, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a log has no other identity
        <li key={i} className="border-hairline border-b py-2">
          <p>{texts.record.changed({ field: fieldName(change.field), before: written(change.before), after: written(change.after) })}</p>
          <p className="text-caption text-quiet">
            {change.person}, {moment(change.at)}
          </p>
        </li>
      ))}
    </ol>
  )
}
