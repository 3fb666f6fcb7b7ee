import { useQuery } from '@tanstack/react-query'
import { facetsQuery } from '@/api/queries'
import { type Range, ranges } from './filterQuery'
import { MoreFilters, useOpenSections } from './MoreFilters'
import type { Filter } from './useFilter'

/** What all banks one may read have in common to look for: which bank, topics by name, tags, and everything that is no tree. */
export function EverywherePanel({ filter }: { filter: Filter }) {
  const sections = useOpenSections(filter, true)
  const asked = sections.open.filter((name) => !ranges.includes(name as Range))
  const counts = useQuery({ ...facetsQuery('', filter.query, asked), enabled: asked.length > 0 })
  return (
    <div className="h-full overflow-y-auto bg-well">
      <MoreFilters
        filter={filter}
        facets={counts.data?.facets ?? {}}
        trees={undefined}
        open={sections.open}
        onToggle={sections.toggle}
        all
      />
    </div>
  )
}
