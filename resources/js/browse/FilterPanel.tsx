import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { facetsQuery, type Trees, treesQuery } from '@/api/queries'
import { storedText, storeText } from '@/lib/storage'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Tabs } from '@/ui/Tabs'
import type { TreeItem } from '@/ui/tree/items'
import { Tree } from '@/ui/tree/Tree'
import { type Dimension, type Range, ranges } from './filterQuery'
import { MoreFilters, useOpenSections } from './MoreFilters'
import { Searches } from './Searches'
import { StandardsTab } from './StandardsTab'
import { NodeMenu, useTreeDialogs } from './TreeDialogs'
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
  const counts = useQuery({ ...facetsQuery(slug, filter.query, asked, exact === filter.query + tab), enabled: asked.length > 0 })
  const facets = counts.data?.facets ?? {}
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
          <button type="button" className="min-h-6 text-accent underline" onClick={() => setExact(filter.query + tab)}>
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

type TabProps = {
  slug: string
  name: 'topic' | 'folder'
  filter: Filter
  trees: Trees | undefined
  facets: { value: string; count: number }[] | undefined
  missing: number
  mayWrite: boolean
}

function TreeTab({ slug, name, filter, trees, facets, missing, mayWrite }: TabProps) {
  const kind = name === 'topic' ? 'topics' : 'folders'
  const nodes = trees?.[kind] ?? []
  const items: TreeItem[] = nodes.map((node) => ({
    id: node.id,
    parent: node.parent_id,
    name: node.name,
    ...(facets ? { count: facets.find((one) => one.value === node.id)?.count ?? 0 } : {}),
  }))
  const dialogs = useTreeDialogs(slug, kind, items)
  // topics belong to the team; show those this bank uses first
  const [all, setAll] = useState(false)
  const whole = useQuery({ ...facetsQuery(slug, '', ['topic', 'no']), enabled: name === 'topic' })
  const used = new Set(whole.data?.facets.topic?.filter((one) => one.count > 0).map((one) => one.value))
  const here = items.filter((item) => used.has(item.id) || (item.count ?? 0) > 0 || filter.values(name).includes(item.id))
  const others = name === 'topic' && whole.data ? items.length - here.length : 0
  const shown = others > 0 && !all ? here : items
  const called = (item: TreeItem) => items.filter((one) => one.name === item.name).map((one) => one.id)
  return (
    <div className="py-2">
      <Tree
        name={`${slug} ${name}`}
        label={texts.bank.tabs[name] ?? ''}
        items={shown}
        ticked={filter.values(name)}
        onTick={(id) => filter.toggle(name, id)}
        {...(mayWrite || name === 'folder' || items.some((item) => called(item).length > 1)
          ? {
              more: (item: TreeItem, tabIndex: 0 | -1) => (
                <NodeMenu
                  item={item}
                  kind={kind}
                  tabIndex={tabIndex}
                  twins={called(item).length}
                  onTwins={() => filter.setValues(name, called(item))}
                  {...(mayWrite ? { ask: dialogs.ask } : {})}
                  {...(name === 'folder' ? { onOnly: () => filter.setPlace(item.id) } : {})}
                />
              ),
            }
          : {})}
      />
      {trees && nodes.length === 0 ? (
        <p className="px-4 py-2 text-quiet">{name === 'topic' ? texts.bank.noTopics : texts.bank.noFolders}</p>
      ) : null}
      {others > 0 ? (
        <>
          {shown.length === 0 ? <p className="px-4 py-2 text-quiet">{texts.bank.noTopicsUsed}</p> : null}
          <Button look="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? texts.bank.usedTopics : texts.bank.allTopics({ n: others })}
          </Button>
        </>
      ) : null}
      {mayWrite ? (
        <p>
          <Button
            look="quiet"
            onClick={() => {
              setAll(true)
              dialogs.ask({ what: 'make', parent: null })
            }}
          >
            {texts.tree.make[kind]}
          </Button>
          <Link
            className="inline-block min-h-8 px-3 py-1.5 font-semibold text-accent hover:underline"
            to={`/banks/${slug}/order?tab=${kind}`}
          >
            {texts.tree.putInOrder}
          </Link>
        </p>
      ) : null}
      <Missing name={name} count={missing} filter={filter} />
      {dialogs.dialog}
    </div>
  )
}

/** Says what a branch can never show, with the way to it. */
function Missing({ name, count, filter }: { name: string; count: number; filter: Filter }) {
  if (count === 0 || filter.values('no').includes(name)) return null
  return (
    <div className="m-3 rounded-ui bg-attention-tint px-3 py-2 text-attention">
      <p className="font-semibold">{texts.bank.untagged[name]?.({ n: count })}</p>
      <button type="button" className="min-h-6 underline" onClick={() => filter.toggle('no', name)}>
        {texts.bank.showThem}
      </button>
    </div>
  )
}
