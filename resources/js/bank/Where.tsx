import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { facetsQuery, type Trees, treesQuery } from '@/api/queries'
import { Button } from '@/components/Button'
import { Tabs } from '@/components/Tabs'
import { Tick, Tree, type TreeItem } from '@/components/Tree'
import { texts } from '@/texts'
import { conditionName } from './Chips'
import { NodeMenu, useTreeDialogs } from './TreeDialogs'
import type { Dimension, Filter } from './useFilter'

const tabs: Record<string, Dimension[]> = {
  topic: ['topic', 'no'],
  folder: ['folder', 'no'],
  tag: ['tag', 'no'],
  more: ['kind', 'status', 'difficulty', 'author', 'is'],
}

/** Where questions are: trees and values with counts, several of which can be ticked. Only what is open is counted. */
export function Where({ slug, filter, mayWrite }: { slug: string; filter: Filter; mayWrite: boolean }) {
  const [tab, setTab] = useState(() => localStorage.getItem('where') ?? 'topic')
  const trees = useQuery(treesQuery(slug))
  const counts = useQuery(facetsQuery(slug, filter.query, tabs[tab] ?? []))
  const facets = counts.data?.facets ?? {}
  const missing = (name: string) => facets.no?.find((one) => one.value === name)?.count ?? 0
  const open = (id: string) => {
    localStorage.setItem('where', id)
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
              body: (tabs.more ?? []).map((name) => (
                <section key={name} className="py-2">
                  <h2 className="px-4 pb-1 text-caption text-quiet">{texts.bank.dimensions[name]}</h2>
                  <Values name={name} filter={filter} facets={facets[name]} trees={trees.data} />
                </section>
              )),
            },
          ]}
        />
      </div>
      <Link to={`/banks/${slug}/stimuli`} className="flex-none border-hairline border-t px-4 py-2 text-accent hover:bg-paper">
        {texts.stimuli.ofBank}
      </Link>
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
  return (
    <div className="py-2">
      <Tree
        name={`${slug} ${name}`}
        label={texts.bank.tabs[name] ?? ''}
        items={items}
        ticked={filter.values(name)}
        onTick={(id) => filter.toggle(name, id)}
        {...(mayWrite
          ? { more: (item: TreeItem, tabIndex: 0 | -1) => <NodeMenu item={item} kind={kind} ask={dialogs.ask} tabIndex={tabIndex} /> }
          : {})}
      />
      {trees && nodes.length === 0 ? (
        <p className="px-4 py-2 text-quiet">{name === 'topic' ? texts.bank.noTopics : texts.bank.noFolders}</p>
      ) : null}
      {mayWrite ? (
        <Button look="quiet" onClick={() => dialogs.ask({ what: 'make', parent: null })}>
          {texts.tree.make[kind]}
        </Button>
      ) : null}
      <Missing name={name} count={missing} filter={filter} />
      {dialogs.dialog}
    </div>
  )
}

/** Says what a branch can never show, with the way to it. */
function Missing({ name, count, filter }: { name: string; count: number; filter: Filter }) {
  if (count === 0 || filter.values('no').includes(name)) return null
  const [first, second, go] = texts.bank.untagged[name]?.(count) ?? []
  return (
    <div className="m-3 rounded-ui bg-attention-tint px-3 py-2 text-attention">
      <p className="font-semibold">{first}</p>
      <p>
        {second}{' '}
        <button type="button" className="min-h-6 underline" onClick={() => filter.toggle('no', name)}>
          {go}
        </button>
      </p>
    </div>
  )
}

type ValuesProps = {
  name: Dimension
  filter: Filter
  facets: { value: string; count: number }[] | undefined
  trees?: Trees | undefined
  empty?: string
}

function Values({ name, filter, facets, trees, empty }: ValuesProps) {
  const ticked = filter.values(name)
  const known = facets ?? []
  const order = name === 'difficulty' ? [...known].sort((a, b) => Number(a.value) - Number(b.value)) : known
  const all = [...order, ...ticked.filter((value) => !known.some((one) => one.value === value)).map((value) => ({ value, count: 0 }))]
  if (facets && all.length === 0 && empty) return <p className="px-4 py-2 text-quiet">{empty}</p>
  return (
    <ul>
      {all.map(({ value, count }) => {
        const on = ticked.includes(value)
        return (
          <li key={value}>
            <button
              type="button"
              aria-pressed={on}
              onClick={() => filter.toggle(name, value)}
              className={`-outline-offset-2 flex min-h-7 w-full items-center gap-2 border-l-3 px-3 text-left ${on ? 'border-accent bg-paper font-semibold' : 'border-transparent hover:bg-paper'}`}
            >
              <Tick on={on} />
              <span className="min-w-0 flex-1 truncate">{conditionName(name, value, trees)}</span>
              <span className="text-caption text-quiet">{count.toLocaleString('en-GB')}</span>
            </button>
          </li>
        )
      })}
    </ul>
  )
}
