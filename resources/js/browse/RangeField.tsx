import { useState } from 'react'
import { texts } from '@/messages'
import { control } from '@/ui/Field'
import { days, type Range } from './filterQuery'
import type { Filter } from './useFilter'

/** From and to, either of which may be left open; told when a field is left or Enter is pressed. */
export function RangeField({ name, filter }: { name: Range; filter: Filter }) {
  const set = filter.range(name)
  const [typed, setTyped] = useState<[string, string] | null>(null)
  const [from, to] = typed ?? set
  const day = days.includes(name)
  const title = texts.bank.dimensions[name] ?? name
  const settle = () => {
    if (typed && (typed[0] !== set[0] || typed[1] !== set[1])) filter.setRange(name, typed[0], typed[1])
    setTyped(null)
  }
  const end = (which: 0 | 1, label: string) => (
    <label className="flex min-w-0 flex-1 flex-col text-caption text-second">
      {label}
      <input
        aria-label={`${title} ${label}`}
        type={day ? 'date' : 'number'}
        {...(day ? {} : { min: 0, step: 'any' })}
        className={`${control} w-full min-w-0`}
        value={which === 0 ? from : to}
        onChange={(event) => setTyped(which === 0 ? [event.target.value, to] : [from, event.target.value])}
        onBlur={settle}
        onKeyDown={(event) => (event.key === 'Enter' ? settle() : undefined)}
      />
    </label>
  )
  return (
    <div className="flex gap-2 px-3 pb-3">
      {end(0, texts.bank.from)}
      {end(1, texts.bank.to)}
    </div>
  )
}
