import { useMutation, useQueryClient } from '@tanstack/react-query'
import { changeBank } from '@/api/actions'
import type { Bank } from '@/api/schema'
import { Button } from '@/components/Button'
import { Dialog } from '@/components/Dialog'
import { texts } from '@/texts'

/** Says what archiving means, and does it or takes it back. */
export function ArchiveDialog({ bank, onClose }: { bank: Bank; onClose: () => void }) {
  const client = useQueryClient()
  const save = useMutation({
    mutationFn: () => changeBank(bank.slug, { archived: !bank.archived }),
    onSuccess: () => {
      client.invalidateQueries({ queryKey: ['banks'] })
      client.invalidateQueries({ queryKey: ['bank', bank.slug] })
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
