import { Trash2 } from 'lucide-react'
import { texts } from '@/messages'

/** Takes a row away; its name says which. */
export function RemoveButton({ name, onClick }: { name: string; onClick: () => void }) {
  return (
    <button
      type="button"
      tabIndex={-1}
      data-remove=""
      aria-keyshortcuts="Alt+Delete"
      aria-label={texts.parts.remove({ what: name })}
      title={texts.parts.remove({ what: name })}
      className="min-h-7 min-w-7 flex-none rounded-ui text-quiet hover:bg-well hover:text-problem"
      onClick={onClick}
    >
      <Trash2 size={14} aria-hidden="true" className="inline" />
    </button>
  )
}
