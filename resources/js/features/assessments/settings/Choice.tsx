import { type ReactNode, useId } from 'react'
import type { EntryOverride } from '@/api/assembly'
import { texts } from '@/messages'
import { control } from '@/ui/Field'

const words = texts.assembly.settings

/** A label and its control. */
export function Labelled({ label, children }: { label: string; children: (id: string) => ReactNode }) {
  const id = useId()
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="text-caption text-second">
        {label}
      </label>
      {children(id)}
    </div>
  )
}

type ChoiceProps = {
  label: string
  value: string
  /** Value and name of each; the first is what holds where nothing is set. */
  options: [string, string][]
  disabled: boolean
  onChange: (value: string) => void
}

/** One of some values. */
export function Choice({ label, value, options, disabled, onChange }: ChoiceProps) {
  return (
    <Labelled label={label}>
      {(id) => (
        <select id={id} className={control} disabled={disabled} value={value} onChange={({ target }) => onChange(target.value)}>
          {options.map(([key, name]) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </select>
      )}
    </Labelled>
  )
}

type AttemptsProps = {
  value: EntryOverride['attempts'] | undefined
  disabled: boolean
  onChange: (next: EntryOverride['attempts'] | undefined) => void
}

/** How often a learner may try; as the question says unless it is set. */
export function AttemptsChoice({ value, disabled, onChange }: AttemptsProps) {
  const allowed = value ? (value.allowed === null ? 'any' : String(value.allowed ?? 1)) : ''
  const counts = [1, 2, 3, 4, 5, ...(Number(allowed) > 5 ? [Number(allowed)] : [])]
  return (
    <Choice
      label={words.attempts}
      value={allowed}
      options={[['', words.asQuestion], ...counts.map((n): [string, string] => [String(n), words.times({ n })]), ['any', words.anyTimes]]}
      disabled={disabled}
      onChange={(next) => onChange(next === '' ? undefined : { ...value, allowed: next === 'any' ? null : Number(next) })}
    />
  )
}

type TimeProps = { label: string; seconds: number | null | undefined; disabled: boolean; onChange: (seconds: number | null) => void }

/** A time limit, typed in minutes; none while it is empty. */
export function TimeField({ label, seconds, disabled, onChange }: TimeProps) {
  return (
    <Labelled label={label}>
      {(id) => (
        <input
          id={id}
          type="number"
          min={0.5}
          max={1440}
          step={0.5}
          className={control}
          disabled={disabled}
          placeholder={words.noLimit}
          value={seconds ? seconds / 60 : ''}
          onChange={({ target }) => {
            const n = Math.round(Number(target.value) * 60)
            onChange(n >= 1 ? Math.min(86400, n) : null)
          }}
        />
      )}
    </Labelled>
  )
}

type TickProps = { label: string; checked: boolean; disabled: boolean; onChange: (checked: boolean) => void }

export function TickField({ label, checked, disabled, onChange }: TickProps) {
  return (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="accent-accent"
        disabled={disabled}
        checked={checked}
        onChange={({ target }) => onChange(target.checked)}
      />
      {label}
    </label>
  )
}
