import { Ellipsis, Redo2, Undo2 } from 'lucide-react'
import { memo } from 'react'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import { Menu } from '@/ui/Menu'

type Props = {
  /** Where it is or goes to. */
  place: string
  folders: string[][]
  saveName: string
  busy: boolean
  history: { canUndo: boolean; canRedo: boolean; undo: () => unknown; redo: () => unknown }
  onSave: () => void
  /** What is said of this revision, where it is kept with it. */
  note?: string
  onNote?: (note: string) => void
  /** What else can be done with it. */
  more?: { title: string; run: () => void }[]
  onAnother?: () => void
  anotherName?: string
}

/** Where the question lies, and saving it. */
export const DeskFooter = memo(function DeskFooter({
  place,
  folders,
  saveName,
  busy,
  history,
  onSave,
  note,
  onNote,
  more,
  onAnother,
  anotherName,
}: Props) {
  const step = (title: string, can: boolean, act: () => unknown, icon: React.ReactNode) => (
    <Button look="quiet" className="!px-1" aria-label={title} title={title} aria-disabled={!can} onClick={act}>
      {icon}
    </Button>
  )
  return (
    <footer className="flex min-h-12 flex-none flex-wrap items-center gap-2 border-hairline border-t bg-paper px-4 py-1.5">
      <p className="min-w-0 flex-1 truncate text-second" title={folders.map((path) => path.join(' › ')).join(', ') || place}>
        {folders.length > 0 ? (
          <>
            {texts.desk.placedIn} <strong>{folders.map((path) => path.join(' › ')).join(', ')}</strong>
          </>
        ) : (
          place
        )}
      </p>
      {onNote ? (
        <input
          className={`${control} w-36 max-lg:hidden`}
          aria-label={texts.desk.note}
          placeholder={texts.desk.noteHint}
          maxLength={500}
          value={note}
          onChange={(event) => onNote(event.target.value)}
        />
      ) : null}
      {step(texts.desk.undo, history.canUndo, history.undo, <Undo2 size={16} aria-hidden="true" />)}
      {step(texts.desk.redo, history.canRedo, history.redo, <Redo2 size={16} aria-hidden="true" />)}
      {more ? (
        <Menu.Root
          align="end"
          button={
            <Button look="quiet" className="!px-1" aria-label={texts.bank.more} title={texts.bank.more}>
              <Ellipsis size={16} aria-hidden="true" />
            </Button>
          }
        >
          {more.map(({ title, run }) => (
            <Menu.Item key={title} onSelect={run}>
              {title}
            </Menu.Item>
          ))}
        </Menu.Root>
      ) : null}
      {onAnother ? (
        <Button onClick={onAnother}>
          {anotherName} <kbd className="text-caption text-quiet">Ctrl ↵</kbd>
        </Button>
      ) : null}
      <Button look="primary" data-focus="save" onClick={onSave} aria-disabled={busy}>
        {saveName}
      </Button>
    </footer>
  )
})
