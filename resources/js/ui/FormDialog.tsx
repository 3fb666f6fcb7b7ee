import { type FormEvent, type ReactNode, useId } from 'react'
import { texts } from '@/messages'
import { Button } from './Button'
import { Dialog } from './Dialog'

type Props = {
  title: string
  about?: ReactNode
  wide?: boolean
  onClose: () => void
  onSubmit: (event: FormEvent<HTMLFormElement>) => void
  /** What submitting does, as a word. */
  go: string
  /** Nothing can be submitted yet, or it is on its way; Enter does nothing either. */
  disabled?: boolean
  className?: string
  children: ReactNode
}

/** A dialog that asks for something: fields, and one thing to do with them, by Enter or by its button. */
export function FormDialog({ title, about, wide, onClose, onSubmit, go, disabled, className, children }: Props) {
  const form = useId()
  return (
    <Dialog
      open
      {...(wide ? { wide } : {})}
      onClose={onClose}
      title={title}
      about={about}
      closeName={texts.frame.close}
      actions={
        <>
          <Button onClick={onClose}>{texts.frame.cancel}</Button>
          <Button look="primary" type="submit" form={form} aria-disabled={disabled}>
            {go}
          </Button>
        </>
      }
    >
      <form
        id={form}
        className={className ?? 'flex flex-col gap-3'}
        onSubmit={(event) => {
          event.preventDefault()
          if (!disabled) onSubmit(event)
        }}
      >
        {children}
      </form>
    </Dialog>
  )
}
