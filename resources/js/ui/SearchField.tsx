import { Search } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { Echoes } from '@/lib/echoes'

/** The one search field. What is typed is looked for after a short pause, and at once by Enter. */
export function SearchField({
  label,
  value,
  onChange,
  pause = 80,
}: {
  label: string
  value: string
  onChange: (words: string) => void
  pause?: number
}) {
  const [typed, setTyped] = useState(value)
  const told = useRef(value)
  const echoes = useRef(new Echoes(value))
  const call = useRef(onChange)
  call.current = onChange
  useEffect(() => {
    if (!echoes.current.takes(value)) return
    told.current = value
    setTyped(value)
  }, [value])
  const tell = (words: string) => {
    if (words === told.current) return
    told.current = words
    echoes.current.say(words)
    call.current(words)
  }
  // biome-ignore lint/correctness/useExhaustiveDependencies: only what is typed starts the pause
  useEffect(() => {
    const timer = setTimeout(() => tell(typed), pause)
    return () => clearTimeout(timer)
  }, [typed])
  return (
    <search className="relative w-80 max-lg:w-56 max-sm:w-40">
      <Search size={16} aria-hidden="true" className="pointer-events-none absolute top-2 left-2.5 text-quiet" />
      <input
        type="search"
        data-search=""
        aria-label={label}
        placeholder={label}
        value={typed}
        maxLength={20000}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') tell(typed)
        }}
        className="min-h-8 w-full rounded-ui border border-edge bg-page py-1 pr-8 pl-8 placeholder:text-quiet"
      />
      {typed === '' ? (
        <span className="pointer-events-none absolute top-1.5 right-2 rounded border border-edge px-1.5 font-mono text-caption text-quiet">
          /
        </span>
      ) : null}
    </search>
  )
}
