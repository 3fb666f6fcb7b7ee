import { SafeEditor } from '@/ui/SafeEditor'

type Props = {
  text: string
  label: string
  rows: number
  spelling: boolean
  disabled: boolean
  onChange: (response: { text: string }) => void
}
const anchors = { part: (id: string) => id }

/** An answer with bold words, lists and tables. */
export function RichAnswer({ text, label, rows, spelling, disabled, onChange }: Props) {
  return (
    <div
      spellCheck={spelling}
      inert={disabled}
      className="rounded-ui border border-edge bg-paper px-3 py-2"
      style={{ minHeight: `${rows * 1.6}em` }}
    >
      <SafeEditor
        value={text}
        label={label}
        words={anchors}
        bar="full"
        onChange={(html) => onChange({ text: html })}
        className="min-h-24"
      />
    </div>
  )
}
