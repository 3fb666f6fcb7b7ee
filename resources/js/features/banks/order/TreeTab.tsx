import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import type { TreeName } from '@/api/actions'
import { moveNode } from '@/api/order'
import { facetsQuery, treesQuery } from '@/api/queries'
import { useTreeDialogs } from '@/browse/TreeDialogs'
import { UsesDialog } from '@/browse/UsesDialog'
import { texts } from '@/messages'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Menu } from '@/ui/Menu'
import { Message, Nothing } from '@/ui/Message'
import { MoreButton } from '@/ui/MoreButton'
import { useToast } from '@/ui/Toasts'
import type { TreeItem } from '@/ui/tree/items'
import { OrderTree } from '@/ui/tree/OrderTree'
import type { Spot } from '@/ui/tree/spots'
import { MergeDialog } from './MergeDialog'
import { OutlineDialog } from './OutlineDialog'

const words = texts.order
const dimension = { topics: 'topic', folders: 'folder' } as const

/** Topics or folders as things: moved, named, made one, made from an outline; how many questions have none. */
export function TreeTab({ slug, kind, about }: { slug: string; kind: TreeName; about: string }) {
  const client = useQueryClient()
  const tell = useToast()
  const navigate = useNavigate()
  const trees = useQuery(treesQuery(slug))
  const counts = useQuery(facetsQuery(slug, '', [dimension[kind], 'no'], true))
  const [held, setHeld] = useState<string | null>(null)
  const [merging, setMerging] = useState<TreeItem | null>(null)
  const [shown, setShown] = useState<TreeItem | null>(null)
  const [outlining, setOutlining] = useState<TreeItem | 'top' | null>(null)
  const number = new Map(counts.data?.facets[dimension[kind]]?.map((one) => [one.value, one.count]))
  const items: TreeItem[] = (trees.data?.[kind] ?? []).map((node) => ({
    id: node.id,
    parent: node.parent_id,
    name: node.name,
    count: number.get(node.id) ?? 0,
  }))
  const dialogs = useTreeDialogs(slug, kind, items)
  const again = () => client.invalidateQueries({ queryKey: ['bank', slug] })
  const move = useMutation({
    mutationFn: ({ id, spot }: { id: string; spot: Spot & { by_name?: true } }) => {
      const from = items.find((one) => one.id === id)
      // Only what changes is said: a name taken at the new place is no matter of order.
      return moveNode(slug, kind, id, {
        ...(from?.parent === spot.parent || spot.by_name ? {} : { parent: spot.parent }),
        ...('before' in spot ? { before: spot.before ?? null } : {}),
        ...(spot.by_name ? { by_name: true as const } : {}),
      })
    },
    onSuccess: (_, { id, spot }) => {
      again()
      const item = items.find((one) => one.id === id)
      const before = { id, spot: { parent: item?.parent ?? null } }
      if (spot.by_name) tell({ text: words.sorted })
      else if (item && item.parent !== spot.parent)
        tell({
          text: texts.tree.moved({ name: item.name, where: items.find((one) => one.id === spot.parent)?.name ?? texts.tree.top }),
          undo: () => move.mutate(before),
        })
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  const none = counts.data?.facets.no?.find((one) => one.value === dimension[kind])?.count ?? 0
  const holding = items.find((one) => one.id === held)
  const show = (item: TreeItem) => navigate(`/banks/${slug}?${dimension[kind]}=${item.id}`)
  return (
    <div className="flex max-w-200 flex-col gap-3 px-6 py-4 max-md:px-3">
      <div className="flex flex-wrap items-center gap-3">
        <p className="min-w-60 flex-1 text-second">{about}</p>
        <Button onClick={() => dialogs.ask({ what: 'make', parent: null })}>{texts.tree.make[kind]}</Button>
        <Button onClick={() => setOutlining('top')}>{words.outline}</Button>
      </div>
      {none > 0 ? (
        <Message
          look="attention"
          actions={
            <Link className="min-h-6 underline" to={`/banks/${slug}?no=${dimension[kind]}`}>
              {words.see}
            </Link>
          }
        >
          {words.missing[kind]({ count: none })}
        </Message>
      ) : null}
      <Asked query={trees} />
      {trees.data && items.length === 0 ? <Nothing title={words.none({ kind })} /> : null}
      {items.length > 0 ? (
        <>
          <p className="text-caption text-quiet">{words.howTo}</p>
          <div className="sticky top-0 z-10 bg-page empty:hidden" role="status">
            {holding ? (
              <Message
                look="done"
                actions={
                  <>
                    {holding.parent === null ? null : (
                      <Button
                        onClick={() => {
                          setHeld(null)
                          move.mutate({ id: holding.id, spot: { parent: null } })
                        }}
                      >
                        {words.atTop}
                      </Button>
                    )}
                    <Button onClick={() => setHeld(null)}>{words.letGo}</Button>
                  </>
                }
              >
                {words.holding({ name: holding.name })}
              </Message>
            ) : null}
          </div>
          <OrderTree
            label={words.tree({ kind })}
            items={items}
            held={held}
            onHold={setHeld}
            onPut={(id, spot) => move.mutate({ id, spot })}
            onRename={(item) => dialogs.ask({ what: 'rename', item })}
            onMerge={setMerging}
            onRemove={(item) => dialogs.ask({ what: 'remove', item })}
            more={(item, tabIndex) => (
              <Menu.Root align="end" button={<MoreButton tabIndex={tabIndex} name={texts.tree.what({ name: item.name })} />}>
                <Menu.Item onSelect={() => show(item)}>{words.show}</Menu.Item>
                <Menu.Item onSelect={() => setShown(item)}>{words.uses}</Menu.Item>
                <Menu.Line />
                <Menu.Item keys="Ctrl X" onSelect={() => setHeld(item.id)}>
                  {words.pickUp}
                </Menu.Item>
                <Menu.Item keys="F2" onSelect={() => dialogs.ask({ what: 'rename', item })}>
                  {words.rename}
                </Menu.Item>
                <Menu.Item keys="Alt Shift M" onSelect={() => setMerging(item)}>
                  {words.merge}
                </Menu.Item>
                <Menu.Item onSelect={() => dialogs.ask({ what: 'make', parent: item })}>{texts.tree.makeIn[kind]}</Menu.Item>
                <Menu.Item onSelect={() => setOutlining(item)}>{words.outline}</Menu.Item>
                <Menu.Item onSelect={() => move.mutate({ id: item.id, spot: { parent: item.parent, by_name: true } })}>
                  {words.sort}
                </Menu.Item>
                <Menu.Line />
                <Menu.Item keys="Delete" onSelect={() => dialogs.ask({ what: 'remove', item })}>
                  {texts.tree.remove}
                </Menu.Item>
              </Menu.Root>
            )}
          />
        </>
      ) : null}
      {dialogs.dialog}
      {merging ? <MergeDialog slug={slug} kind={kind} item={merging} items={items} onClose={() => setMerging(null)} /> : null}
      {shown ? <UsesDialog slug={slug} kind={kind} item={shown} onClose={() => setShown(null)} /> : null}
      {outlining ? (
        <OutlineDialog
          slug={slug}
          kind={kind}
          items={items}
          below={outlining === 'top' ? null : outlining.id}
          onClose={() => setOutlining(null)}
        />
      ) : null}
    </div>
  )
}
