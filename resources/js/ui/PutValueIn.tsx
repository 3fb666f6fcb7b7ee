import { type RefObject, useContext } from 'react'
import { texts } from '@/messages'
import { ValueNames } from './rich/equation/valueNames'

const words = texts.values

type Props = { field: RefObject<HTMLInputElement | HTMLTextAreaElement | null>; onChange: (text: string) => void }

/** Puts a value that varies into plain text, at its cursor; nothing where the question has none. */
export function PutValueIn({ field, onChange }: Props) {
  const names = useContext(ValueNames)
  if (names.length === 0) return null
  const put = (name: string) => {
    const on = field.current
    if (!on) return
    on.focus()
    const wasIn = on.selectionEnd !== 0 // a field nobody went into has its cursor at the start
    const [from, to] = wasIn ? [on.selectionStart, on.selectionEnd] : [on.value.length, on.value.length]
    on.setRangeText(`\\val{${name}}`, from ?? on.value.length, to ?? on.value.length, 'end')
    onChange(on.value)
  }
  return (
    <p className="flex flex-wrap items-baseline gap-1 text-caption text-second">
      {words.putIn}
      {names.map((name) => (
        <button
          key={name}
          type="button"
          aria-label={words.insert({ name })}
          className="min-h-6 rounded-ui bg-well px-1.5 font-mono text-information hover:bg-accent-tint"
          onClick={() => put(name)}
        >
          {name}
        </button>
      ))}
    </p>
  )
}
