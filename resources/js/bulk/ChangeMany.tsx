import { useState } from 'react'
import { changeMany, type Target } from '@/api/acts'
import { ApiProblem } from '@/api/client'
import { texts } from '@/messages'
import { FormDialog } from '@/ui/FormDialog'
import { Message } from '@/ui/Message'
import { ChangeFields } from './ChangeFields'
import { type Draft, emptyDraft, toChange } from './draft'
import { MaybeFollow } from './MaybeFollow'
import { MoreFields } from './MoreFields'
import { PreviewPane, usePreview } from './PreviewPane'
import { useMany } from './useMany'

const words = texts.acts.change
type Props = { slug: string; target: Target; count: number; onClose: () => void }

/** Many questions changed at once: what to change on the left, what that does on the right, before it is done. */
export function ChangeMany({ slug, target, count, onClose }: Props) {
  const [draft, setDraft] = useState(emptyDraft)
  const change = toChange(draft)
  const preview = usePreview(slug, target, change)
  const many = useMany(() => changeMany(slug, target, change ?? {}), onClose)
  const refused = preview.nothing ? null : preview.error
  const problem = refused instanceof ApiProblem ? { field: refused.path?.split('/').pop() ?? '', text: refused.message } : null
  const set = (some: Partial<Draft>) => setDraft((now) => ({ ...now, ...some }))
  return (
    <MaybeFollow act={many.act} title={words.title({ count })} onClose={onClose}>
      <FormDialog
        wide
        onClose={onClose}
        title={words.title({ count })}
        about={words.about}
        go={words.go({ count })}
        disabled={many.pending || change === null || problem !== null}
        onSubmit={many.begin}
        className="grid grid-cols-2 gap-6 max-md:grid-cols-1"
      >
        <div className="boxed-fields flex min-w-0 flex-col gap-4">
          <ChangeFields slug={slug} draft={draft} set={set} problem={problem} />
        </div>
        <MoreFields>
          {many.problem ? <Message look="problem">{many.problem}</Message> : null}
          <PreviewPane preview={preview} />
        </MoreFields>
      </FormDialog>
    </MaybeFollow>
  )
}
