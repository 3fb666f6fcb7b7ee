import { changeMany, type Target } from '@/api/acts'
import { texts } from '@/messages'
import { FormDialog } from '@/ui/FormDialog'
import { Message } from '@/ui/Message'
import { MaybeFollow } from './MaybeFollow'
import { PreviewPane, usePreview } from './PreviewPane'
import { useMany } from './useMany'

const words = texts.acts.bin
const bin = { bin: true }

/** Questions into the bin, with those said beforehand that have to stay. */
export function BinMany({ slug, target, count, onClose }: { slug: string; target: Target; count: number; onClose: () => void }) {
  const preview = usePreview(slug, target, bin)
  const many = useMany(() => changeMany(slug, target, bin), onClose)
  return (
    <MaybeFollow act={many.act} title={words.title({ count })} onClose={onClose}>
      <FormDialog
        onClose={onClose}
        title={words.title({ count })}
        about={words.about}
        go={words.go}
        disabled={many.pending}
        onSubmit={many.begin}
      >
        {many.problem ? <Message look="problem">{many.problem}</Message> : null}
        <PreviewPane preview={preview} />
      </FormDialog>
    </MaybeFollow>
  )
}
