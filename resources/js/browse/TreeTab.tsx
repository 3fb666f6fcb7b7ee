import { useQuery } from '@tanstack/react-query'
import { useCallback, useMemo, useState } from 'react'
import { Link } from 'react-router'
import { facetsQuery, type Trees } from '@/api/queries'
import { groupBy } from '@/lib/groupBy'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import type { TreeItem } from '@/ui/tree/items'
import { Tree } from '@/ui/tree/Tree'
import { Missing } from './Missing'
import { NodeMenu, useTreeDialogs } from './TreeDialogs'
import type { Filter } from './useFilter'

type Counts = { value: string; count: number }[]
type Props = {
  slug: string
  name: 'topic' | 'folder'
  filter: Filter
  trees: Trees | undefined
  facets: Counts | undefined
  missing: number
  mayWrite: boolean
}

/** The tree of topics or of folders, with counts. What it is made of stays the same while one types, so that it is not drawn again. */
export function TreeTab({ slug, name, filter, trees, facets, missing, mayWrite }: Props) {
  const kind = name === 'topic' ? 'topics' : 'folders'
  const nodes = trees?.[kind]
  const items = useMemo((): TreeItem[] => {
    const counts = new Map(facets?.map((one) => [one.value, one.count]))
    return (nodes ?? []).map((node) => ({
      id: node.id,
      parent: node.parent_id,
      name: node.name,
      ...(facets ? { count: counts.get(node.id) ?? 0 } : {}),
    }))
  }, [nodes, facets])
  const { ask, dialog } = useTreeDialogs(slug, kind, items)
  // topics belong to the team; show those this bank uses first
  const [all, setAll] = useState(false)
  const whole = useQuery({ ...facetsQuery(slug, '', ['topic', 'no']), enabled: name === 'topic' })
  const chosen = filter.values(name).join(' ')
  const ticked = useMemo(() => chosen.split(' ').filter((id) => id !== ''), [chosen])
  const here = useMemo(() => {
    const used = new Set(whole.data?.facets.topic?.filter((one) => one.count > 0).map((one) => one.value))
    return items.filter((item) => used.has(item.id) || (item.count ?? 0) > 0 || ticked.includes(item.id))
  }, [items, ticked, whole.data])
  const others = name === 'topic' && whole.data ? items.length - here.length : 0
  const shown = others > 0 && !all ? here : items
  const called = useMemo(() => groupBy(nodes ?? [], (node) => node.name), [nodes])
  const hasTwins = useMemo(() => [...called.values()].some((twins) => twins.length > 1), [called])
  const { toggle, setValues, setPlace } = filter
  const tick = useCallback((id: string) => toggle(name, id), [toggle, name])
  const more = useCallback(
    (item: TreeItem, tabIndex: 0 | -1) => {
      const twins = (called.get(item.name) ?? []).map((node) => node.id)
      return (
        <NodeMenu
          item={item}
          kind={kind}
          tabIndex={tabIndex}
          twins={twins.length}
          onTwins={() => setValues(name, twins)}
          {...(mayWrite ? { ask } : {})}
          {...(name === 'folder' ? { onOnly: () => setPlace(item.id) } : {})}
        />
      )
    },
    [called, kind, name, mayWrite, ask, setValues, setPlace],
  )
  return (
    <div className="py-2">
      <Tree
        name={`${slug} ${name}`}
        label={texts.bank.tabs[name] ?? ''}
        items={shown}
        ticked={ticked}
        onTick={tick}
        {...(mayWrite || name === 'folder' || hasTwins ? { more } : {})}
      />
      {nodes?.length === 0 ? <p className="px-4 py-2 text-quiet">{name === 'topic' ? texts.bank.noTopics : texts.bank.noFolders}</p> : null}
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
              ask({ what: 'make', parent: null })
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
      {dialog}
    </div>
  )
}
