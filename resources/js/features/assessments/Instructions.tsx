import { texts } from '@/messages'
import { htmlTree } from '@/ui/htmlTree'
import { LazyRich } from '@/ui/LazyRich'
import { RichTree } from '@/ui/RichTree'

type Props = {
  value: string
  mayWrite: boolean
  onChange: (html: string) => void
  label?: string
  placeholder?: string
}

/** What learners are told, as rich text. */
export function Instructions({
  value,
  mayWrite,
  onChange,
  label = texts.assembly.instructions,
  placeholder = texts.assembly.instructionsHint,
}: Props) {
  if (!mayWrite) return value === '' ? null : <RichTree nodes={htmlTree(value)} />
  return (
    <LazyRich
      value={value}
      onChange={onChange}
      label={label}
      placeholder={placeholder}
      words={{ part: (id: string) => id }}
      className="!text-[14px] rounded-ui bg-paper px-2 py-1"
    />
  )
}
