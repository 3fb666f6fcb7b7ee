import type { Editor } from '@tiptap/core'
import { useState } from 'react'
import { texts } from '@/messages'
import { Field } from '../Field'
import { FormDialog } from '../FormDialog'
import { tableAround } from './columns'

const words = texts.rich.table

/** What stands above the table with the cursor. */
export function CaptionDialog({ editor, onClose }: { editor: Editor; onClose: () => void }) {
  const [at] = useState(() => tableAround(editor))
  const [caption, setCaption] = useState<string>(at?.node.attrs.caption ?? '')
  return (
    <FormDialog
      title={words.captionTitle}
      go={texts.frame.save}
      onClose={onClose}
      onSubmit={() => {
        onClose()
        if (at) editor.view.dispatch(editor.state.tr.setNodeMarkup(at.pos, undefined, { caption: caption.trim() || null }))
      }}
    >
      <Field.Root>
        <Field.Label hidden>{words.captionTitle}</Field.Label>
        <Field.Text value={caption} maxLength={1000} onChange={(event) => setCaption(event.target.value)} />
      </Field.Root>
    </FormDialog>
  )
}
