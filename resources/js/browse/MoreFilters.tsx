import { useState } from 'react'
import type { Trees } from '@/api/queries'
import { isTexts, storedValue, storeValue } from '@/lib/storage'
import { texts } from '@/messages'
import { type Dimension, type Range, ranges } from './filterQuery'
import { RangeField } from './RangeField'
import type { Filter } from './useFilter'
import { Values } from './Values'

const sections: (Dimension | Range)[] = [
  'kind',
  'status',
  'difficulty',
  'has',
  'marks',
  'is',
  'points',
  'minutes',
  'marker_minutes',
  'author',
  'level',
  'purpose',
  'source',
  'work',
  'licence',
  'language',
  'by',
  'editor',
  'created',
  'changed',
  'used',
  'not_used',
  'no',
]
/** Over several banks: which, and their tags instead of trees. */
const everywhere: (Dimension | Range)[] = ['bank', 'titled', 'tag', ...sections]
const first = ['bank', 'kind', 'status', 'difficulty', 'has']

const isRange = (name: string): name is Range => ranges.includes(name as Range)
const isSet = (filter: Filter, name: Dimension | Range) =>
  isRange(name) ? filter.range(name).some((end) => end !== '') : filter.values(name).length + filter.left(name).length > 0

/** Which sections are open, remembered, and those something is asked of; only these are counted. */
export function useOpenSections(filter: Filter, all = false) {
  const [open, setOpen] = useState<string[]>(() => storedValue('where-open', isTexts, first))
  return {
    open: (all ? everywhere : sections).filter((name) => open.includes(name) || isSet(filter, name)) as string[],
    toggle: (name: string) => {
      const next = open.includes(name) ? open.filter((one) => one !== name) : [...open, name]
      storeValue('where-open', next)
      setOpen(next)
    },
  }
}

type Props = {
  filter: Filter
  facets: Record<string, { value: string; count: number; name?: string }[]>
  trees: Trees | undefined
  open: string[]
  onToggle: (name: string) => void
  /** Over several banks. */
  all?: boolean
}

/** Everything else one can look for, section by section. */
export function MoreFilters({ filter, facets, trees, open, onToggle, all = false }: Props) {
  return (all ? everywhere : sections).map((name) => {
    const shown = open.includes(name)
    const set = isSet(filter, name)
    return (
      <section key={name} aria-label={texts.bank.dimensions[name]} className="border-hairline border-b">
        <h2>
          <button
            type="button"
            aria-expanded={shown}
            className="-outline-offset-2 flex min-h-8 w-full items-center gap-2 px-3 text-left text-caption text-second hover:bg-paper"
            onClick={() => onToggle(name)}
          >
            <span aria-hidden="true" className="text-quiet">
              {shown ? '▾' : '▸'}
            </span>
            <span className={`inline-block first-letter:uppercase ${set ? 'font-semibold text-ink' : ''}`}>
              {texts.bank.dimensions[name]}
            </span>
          </button>
        </h2>
        {shown ? (
          isRange(name) ? (
            <RangeField name={name} filter={filter} />
          ) : (
            <Values name={name} filter={filter} facets={facets[name]} trees={trees} empty={texts.bank.noValues} />
          )
        ) : null}
      </section>
    )
  })
}
