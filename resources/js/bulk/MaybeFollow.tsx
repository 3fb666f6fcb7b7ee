import type { ReactNode } from 'react'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { ActProgress } from './ActProgress'

/** What asked for an act; once it goes on in the background, how far it is. */
export function MaybeFollow({
  act,
  title,
  onClose,
  children,
}: {
  act: string | null
  title: string
  onClose: () => void
  children: ReactNode
}) {
  if (act === null) return children
  return (
    <Dialog
      open
      onClose={onClose}
      title={title}
      closeName={texts.frame.close}
      actions={<Button onClick={onClose}>{texts.frame.close}</Button>}
    >
      <ActProgress id={act} />
    </Dialog>
  )
}
