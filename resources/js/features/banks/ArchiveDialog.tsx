import { useMutation, useQueryClient } from '@tanstack/react-query'
import { changeBank } from '@/api/actions'
import type { Bank } from '@/api/schema'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { useToast } from '@/ui/Toasts'

/** Says what archiving means, and does it or takes it back. */
export function ArchiveDialog({ bank, onClose }: { bank: Bank; onClose: () => void }) {
  const client = useQueryClient()
  const tell = useToast()
  const save = useMutation({
    mutationFn: () => changeBank(bank.slug, { archived: !bank.archived }),
    onSuccess: () => {
      client.invalidateQueries({ queryKey: ['banks'] })
      client.invalidateQueries({ queryKey: ['bank', bank.slug] })
      client.invalidateQueries({ queryKey: ['assessments'] })
      tell({
        text: bank.archived ? texts.banks.unarchived({ name: bank.name }) : texts.banks.archivedNow({ name: bank.name }),
        undo: () => changeBank(bank.slug, { archived: bank.archived }).then(() => client.invalidateQueries()),
      })
      onClose()
    },
  })
  const title = bank.archived ? texts.banks.unarchive : texts.banks.archive
  return (
    <Dialog
      open
      onClose={onClose}
      title={title}
      closeName={texts.frame.close}
      actions={
        <>
          <Button onClick={onClose}>{texts.frame.cancel}</Button>
          <Button look="primary" onClick={() => save.mutate()}>
            {title}
          </Button>
        </>
      }
    >
      <p>{texts.banks.archiveAbout}</p>
      {save.isError ? (
        <p role="alert" className="text-problem">
          {save.error.message}
        </p>
      ) : null}
    </Dialog>
  )
}
