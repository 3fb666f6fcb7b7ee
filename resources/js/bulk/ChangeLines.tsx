import type { ReactNode } from 'react'
import { texts } from '@/messages'
import { control } from '@/ui/Field'

const words = texts.acts.change
const LEAVE = '\u0000leave'

/** @param value undefined: left as it is */
export function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: string | undefined
  options: [string, string][]
  onChange: (value: string | undefined) => void
}) {
  return (
    <select
      aria-label={label}
      className={`${control} w-full`}
      value={value ?? LEAVE}
      onChange={(event) => onChange(event.target.value === LEAVE ? undefined : event.target.value)}
    >
      <option value={LEAVE}>{words.leave}</option>
      {options.map(([key, title]) => (
        <option key={key} value={key}>
          {title}
        </option>
      ))}
    </select>
  )
}

/** @param value undefined: left as it is, null: emptied */
export function TextLine({
  label,
  value,
  onChange,
}: {
  label: string
  value: string | null | undefined
  onChange: (value: string | null | undefined) => void
}) {
  const emptied = value === null
  return (
    <div className="flex gap-1">
      <input
        aria-label={label}
        placeholder={emptied ? words.emptied : words.leave}
        maxLength={1000}
        className={`${control} min-w-0 flex-1`}
        value={value ?? ''}
        onChange={(event) => onChange(event.target.value === '' ? undefined : event.target.value)}
      />
      <button
        type="button"
        aria-pressed={emptied}
        aria-label={words.empty({ what: label })}
        title={words.empty({ what: label })}
        className="min-h-8 min-w-8 rounded-ui border border-transparent text-quiet hover:border-edge aria-pressed:border-accent aria-pressed:bg-accent-tint aria-pressed:text-accent"
        onClick={() => onChange(emptied ? undefined : null)}
      >
        <span aria-hidden="true">∅</span>
      </button>
    </div>
  )
}

export function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="flex flex-col gap-2">
      <h3 className="border-hairline border-b pb-1 text-caption text-quiet">{title}</h3>
      {children}
    </section>
  )
}

/** @param problem what is wrong with what stands in it */
export function Line({ label, problem, children }: { label: string; problem?: string | undefined; children: ReactNode }) {
  return (
    <div className="grid grid-cols-[120px_1fr] items-center gap-3">
      <span className="text-caption text-second">{label}</span>
      <div className="min-w-0">
        {children}
        {problem ? <p className="mt-1 text-caption text-problem">{problem}</p> : null}
      </div>
    </div>
  )
}
