import { useState } from 'react'
import { texts } from '@/messages'
import { Field } from '../Field'
import { FormDialog } from '../FormDialog'

type Props = {
  title: string
  about?: string
  value: number | null
  least: number
  most: number
  /** null where nothing was typed. */
  onSave: (value: number | null) => void
  onClose: () => void
}

/** One number of what stands in the text. */
export function NumberDialog({ title, about, value, least, most, onSave, onClose }: Props) {
  const [typed, setTyped] = useState(value === null ? '' : String(value))
  return (
    <FormDialog
      title={title}
      {...(about ? { about } : {})}
      go={texts.frame.save}
      onClose={onClose}
      onSubmit={() => {
        onClose()
        onSave(typed.trim() === '' ? null : Math.round(Math.min(most, Math.max(least, Number(typed)))))
      }}
    >
      <Field.Root>
        <Field.Label hidden>{title}</Field.Label>
        <Field.Text type="number" min={least} max={most} step={1} value={typed} onChange={(event) => setTyped(event.target.value)} />
      </Field.Root>
    </FormDialog>
  )
}
