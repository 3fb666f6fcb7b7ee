import { useQuery } from '@tanstack/react-query'
import { useDeferredValue, useState } from 'react'
import { Link } from 'react-router'
import { facetsQuery, treesQuery } from '@/api/queries'
import { storedText, storeText } from '@/lib/storage'
import { REST, useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { Tabs } from '@/ui/Tabs'
import { type Dimension, type Range, ranges } from './filterQuery'
import { Missing } from './Missing'
import { MoreFilters, useOpenSections } from './MoreFilters'
import { Searches } from './Searches'
import { StandardsTab } from './StandardsTab'
import { TreeTab } from './TreeTab'
import type { Filter } from './useFilter'
import { Values } from './Values'

const tabs: Record<string, Dimension[]> = {
  topic: ['topic', 'no'],
  standard: ['standard', 'unmatched', 'no'],
  folder: ['folder', 'no'],
  tag: ['tag', 'no'],
}

type PanelProps = {
  slug: string
  filter: Filter
  mayWrite: boolean
  /** Where a saved search is shown; in the bank itself unless it is said. */
  to?: (query: string) => string
}

/** Where questions are: trees and values with counts, several of which can be ticked. Only what is open is counted. */
export function FilterPanel({ slug, filter, mayWrite, to }: PanelProps) {
  const [tab, setTab] = useState(() => storedText('where') ?? 'topic')
  const trees = useQuery(treesQuery(slug))
  const sections = useOpenSections(filter)
  const asked = tab === 'more' ? sections.open.filter((name) => !ranges.includes(name as Range)) : (tabs[tab] ?? [])
  const [exact, setExact] = useState('')
  const query = useDebouncedValue(filter.query, REST) // the list comes first
  const counts = useQuery({ ...facetsQuery(slug, query, asked, exact === query + tab), enabled: asked.length > 0 })
  // Drawn when there is time: a tree full of counts must not hold up typing.
  const facets = useDeferredValue(counts.data)?.facets ?? {}
  const missing = (name: string) => facets.no?.find((one) => one.value === name)?.count ?? 0
  const open = (id: string) => {
    storeText('where', id)
    setTab(id)
  }
  const tree = (name: 'topic' | 'folder') => (
    <TreeTab slug={slug} name={name} filter={filter} trees={trees.data} facets={facets[name]} missing={missing(name)} mayWrite={mayWrite} />
  )
  return (
    <div className="flex h-full flex-col bg-well">
      <div className="min-h-0 flex-1">
        <Tabs
          label={texts.bank.where}
          value={tab}
          onChange={open}
          tabs={[
            { id: 'topic', title: texts.bank.tabs.topic ?? '', body: tree('topic') },
            {
              id: 'standard',
              title: texts.bank.tabs.standard ?? '',
              body: (
                <>
                  <StandardsTab slug={slug} filter={filter} facets={facets} mayWrite={mayWrite} />
                  <Missing name="standard" count={missing('standard')} filter={filter} />
                </>
              ),
            },
            { id: 'folder', title: texts.bank.tabs.folder ?? '', body: tree('folder') },
            {
              id: 'tag',
              title: texts.bank.tabs.tag ?? '',
              body: (
                <div className="py-2">
                  <Values name="tag" filter={filter} facets={facets.tag} empty={texts.bank.noTags} />
                  <Missing name="tag" count={missing('tag')} filter={filter} />
                </div>
              ),
            },
            {
              id: 'more',
              title: texts.bank.tabs.more ?? '',
              body: <MoreFilters filter={filter} facets={facets} trees={trees.data} open={sections.open} onToggle={sections.toggle} />,
            },
          ]}
        />
      </div>
      {counts.data?.sampled ? (
        <p className="flex-none border-hairline border-t px-4 py-1.5 text-caption text-quiet">
          {texts.bank.sampled}{' '}
          <button type="button" className="min-h-6 text-accent underline" onClick={() => setExact(query + tab)}>
            {texts.bank.countExactly}
          </button>
        </p>
      ) : null}
      <Searches slug={slug} filter={filter} trees={trees.data} mayWrite={mayWrite} to={to ?? ((query) => `/banks/${slug}?${query}`)} />
      {to ? null : (
        <Link to={`/banks/${slug}/stimuli`} className="flex-none border-hairline border-t px-4 py-2 text-accent hover:bg-paper">
          {texts.bank.stimuliHere}
        </Link>
      )}
    </div>
  )
}
