import { htmlTree } from '@/components/htmlTree'
import { LazyRich } from '@/components/LazyRich'
import { RichTree } from '@/components/RichTree'
import { texts } from '@/texts'

/** What learners are told, as rich text. */
export function Instructions({ value, mayWrite, onChange }: { value: string; mayWrite: boolean; onChange: (html: string) => void }) {
  if (!mayWrite) return value === '' ? null : <RichTree nodes={htmlTree(value)} />
  return (
    <LazyRich
      value={value}
      onChange={onChange}
      label={texts.assembly.instructions}
      placeholder={texts.assembly.instructionsHint}
      words={{ part: (id: string) => id }}
      className="!text-[14px] rounded-ui bg-paper px-2 py-1"
    />
  )
}
