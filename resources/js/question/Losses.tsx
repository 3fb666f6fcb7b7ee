import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'

type Props = { title: string; losses: string[]; go: string; onGo: () => void; onClose: () => void }

/** What cannot be carried, named before anything is changed. */
export function Losses({ title, losses, go, onGo, onClose }: Props) {
  return (
    <Dialog
      open
      onClose={onClose}
      title={title}
      about={texts.desk.notCarried}
      closeName={texts.frame.close}
      actions={
        <>
          <Button onClick={onClose}>{texts.frame.cancel}</Button>
          <Button look="primary" onClick={onGo}>
            {go}
          </Button>
        </>
      }
    >
      <ul className="flex list-disc flex-col gap-1 pl-5">
        {losses.map((loss) => (
          <li key={loss}>{loss}</li>
        ))}
      </ul>
    </Dialog>
  )
}
