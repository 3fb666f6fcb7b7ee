import type { ComponentProps, ReactNode } from 'react'

/** A sentence with places to fill. The places look like gaps on paper, not like boxes. */
export function Sentence({ children }: { children: ReactNode }) {
  return <div className="flex flex-1 flex-wrap items-baseline gap-x-1.5 gap-y-1">{children}</div>
}

const gap = 'min-h-7 rounded-t-ui border-edge border-b-2 bg-well px-1.5 text-ink placeholder:text-quiet aria-invalid:border-problem'

/** A place for words, as wide as what stands in it. */
export function Gap({ wide, className = '', ...rest }: ComponentProps<'input'> & { wide?: boolean }) {
  const length = String(rest.value ?? '').length || String(rest.placeholder ?? '').length
  return <input {...rest} className={`${gap} max-w-full ${className}`} style={{ width: `${Math.max(wide ? 16 : 5, length + 4)}ch` }} />
}

/** A place for one of a few wordings. */
export function Pick({
  options,
  onChange,
  ...rest
}: Omit<ComponentProps<'select'>, 'onChange'> & { options: [string, string][]; onChange: (value: string) => void }) {
  return (
    <select
      {...rest}
      className={`${gap} max-w-full cursor-pointer [field-sizing:content]`}
      onChange={(event) => onChange(event.target.value)}
    >
      {options.map(([value, title]) => (
        <option key={value} value={value}>
          {title}
        </option>
      ))}
    </select>
  )
}
