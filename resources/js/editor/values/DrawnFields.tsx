import { useState } from 'react'
import type { Variable } from '@/api/values'
import { texts } from '@/messages'
import { Gap } from '@/ui/Sentence'

const words = texts.values

type Props = { variable: Variable; onChange: (variable: Variable, place: string) => void }

/** From – to, in steps, except some. */
export function RangeFields({ variable, onChange }: Props) {
  const field = (name: 'from' | 'to' | 'step', label: string) => (
    <>
      <span>{label}</span>
      <Gap
        aria-label={`${words.named({ name: variable.name })}: ${label}`}
        inputMode="decimal"
        className="font-serif"
        maxLength={200}
        placeholder={name === 'step' ? '1' : undefined}
        value={variable[name] ?? ''}
        onChange={(event) => onChange({ ...variable, [name]: plain(event.target.value) }, name)}
      />
    </>
  )
  return (
    <>
      {field('from', words.from)}
      {field('to', words.to)}
      {field('step', words.steps)}
      <span>{words.except}</span>
      <ListGap
        label={`${words.named({ name: variable.name })}: ${words.except}`}
        hint={words.exceptHint}
        value={variable.except ?? []}
        onChange={(except) => {
          const { except: _, ...rest } = variable
          onChange(except.length > 0 ? { ...rest, except: except.map((one) => plain(String(one))) } : rest, 'except')
        }}
      />
    </>
  )
}

/** The entries of a list; of a sample, how many are taken. */
export function ItemFields({ variable, onChange }: Props) {
  return (
    <>
      {variable.kind === 'sample' ? (
        <>
          <Gap
            aria-label={`${words.named({ name: variable.name })}: ${words.count}`}
            inputMode="numeric"
            value={String(variable.count ?? 1)}
            onChange={(event) =>
              onChange({ ...variable, count: Math.min(1000, Math.max(1, Number(event.target.value.replace(/\D/g, '')) || 1)) }, 'count')
            }
          />
          <span>{words.outOf}</span>
        </>
      ) : null}
      <ListGap
        label={`${words.named({ name: variable.name })}: ${words.items}`}
        hint={words.itemsHint}
        value={variable.items ?? []}
        onChange={(items) => onChange({ ...variable, items }, 'items')}
      />
      {variable.kind === 'sample' ? <span>{words.anyOrder}</span> : null}
    </>
  )
}

/** A list typed with ; between. Lines and cells that are pasted become entries too. */
function ListGap({
  label,
  hint,
  value,
  onChange,
}: {
  label: string
  hint: string
  value: (string | boolean)[]
  onChange: (value: (string | boolean)[]) => void
}) {
  const [typed, setTyped] = useState<string | null>(null)
  const shown = value.map(String).join('; ')
  return (
    <Gap
      aria-label={label}
      placeholder={hint}
      wide={value.length > 2}
      className="font-serif"
      value={typed ?? shown}
      onChange={(event) => {
        setTyped(event.target.value)
        onChange(entries(event.target.value))
      }}
      onPaste={(event) => {
        const pasted = event.clipboardData.getData('text/plain')
        if (!/[\n\t]/.test(pasted.trim())) return
        event.preventDefault()
        setTyped(null)
        onChange([...value, ...entries(pasted.replace(/[\n\t]+/g, ';'))])
      }}
      onBlur={() => setTyped(null)}
    />
  )
}

const entries = (typed: string): string[] =>
  typed
    .split(';')
    .map((one) => one.trim())
    .filter((one) => one !== '')

/** Numbers are kept with a point and a plain minus. */
const plain = (typed: string): string => typed.replace(',', '.').replace('−', '-')
