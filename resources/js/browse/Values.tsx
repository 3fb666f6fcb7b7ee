import { Minus } from 'lucide-react'
import type { Trees } from '@/api/queries'
import { number } from '@/lib/format'
import { texts } from '@/messages'
import { Tick } from '@/ui/Tick'
import { conditionName } from './Chips'
import type { Dimension } from './filterQuery'
import type { Filter } from './useFilter'

type ValuesProps = {
  name: Dimension
  filter: Filter
  facets: { value: string; count: number; name?: string }[] | undefined
  trees?: Trees | undefined
  empty?: string
}

/** The values of a dimension with their counts: ticked to be asked for, or left out. */
export function Values({ name, filter, facets, trees, empty }: ValuesProps) {
  const ticked = filter.values(name)
  const left = filter.left(name)
  const known = facets ?? []
  const order = name === 'difficulty' ? [...known].sort((a, b) => Number(a.value) - Number(b.value)) : known
  const all = [
    ...order,
    ...[...ticked, ...left]
      .filter((value) => !known.some((one) => one.value === value))
      .map((value) => ({ value, count: 0, name: undefined })),
  ]
  if (facets && all.length === 0 && empty) return <p className="px-4 py-2 text-quiet">{empty}</p>
  return (
    <ul>
      {all.map(({ value, count, name: called }) => {
        const on = ticked.includes(value)
        const out = left.includes(value)
        const title = called ?? conditionName(name, value, trees)
        return (
          <li
            key={value}
            className={`group flex items-center border-l-3 ${on || out ? 'border-accent bg-paper font-semibold' : 'border-transparent hover:bg-paper'}`}
          >
            <button
              type="button"
              aria-pressed={on}
              onClick={() => filter.toggle(name, value)}
              className="-outline-offset-2 flex min-h-7 min-w-0 flex-1 items-center gap-2 pr-1 pl-3 text-left"
            >
              <Tick on={on} />
              <span className={`min-w-0 flex-1 truncate ${out ? 'line-through' : ''}`}>{title}</span>
              <span className="text-caption text-quiet">{out ? '' : number(count)}</span>
            </button>
            <button
              type="button"
              aria-pressed={out}
              aria-label={texts.bank.leaveOut({ what: title })}
              title={texts.bank.leaveOut({ what: title })}
              onClick={() => filter.leaveOut(name, value)}
              className="-outline-offset-2 min-h-7 w-7 flex-none rounded-ui text-quiet opacity-0 hover:text-problem focus-visible:opacity-100 group-focus-within:opacity-100 group-hover:opacity-100 aria-pressed:text-problem aria-pressed:opacity-100"
            >
              <Minus size={14} aria-hidden="true" className="mx-auto" />
            </button>
          </li>
        )
      })}
    </ul>
  )
}
