import { type KeyboardEvent, type ReactNode, useRef } from 'react'
import { number } from '@/lib/format'
import { texts } from '@/messages'
import { altShift, ctrl } from '@/ui/commands'
import { ROOT, type TreeItem } from './items'
import { type Spot, spotsFor } from './spots'
import { TreeRows } from './TreeRows'
import { Twisty } from './Twisty'
import { type Node, useTreeModel } from './useTreeModel'

const words = texts.order
type Props = {
  label: string
  items: TreeItem[]
  /** What stands at the end of a line. */
  more: (item: TreeItem, tabIndex: 0 | -1) => ReactNode
  held: string | null
  onHold: (id: string | null) => void
  /** Puts an item somewhere; not asked for places inside itself. */
  onPut: (id: string, spot: Spot) => void
  /** By Enter and F2, where nothing is picked up. */
  onRename: (item: TreeItem) => void
  onMerge?: (item: TreeItem) => void
  /** Shows an item by a click on its name. */
  onPick?: (item: TreeItem) => void
  picked?: string
  onRemove: (item: TreeItem) => void
}

/** A tree that is put in order: by drag, by picking up and putting down, or by keys (WCAG 2.5.7). */
export function OrderTree({ label, items, more, held, onHold, onPut, onRename, onMerge, onPick, picked, onRemove }: Props) {
  const scroll = useRef<((node: Node) => void) | null>(null)
  const { tree, walk } = useTreeModel({
    items,
    scrollTo: (node) => scroll.current?.(node),
    drag: {
      canDrop: () => true, // anything may get something below it; the library refuses places inside itself
      onDrop: ([dragged], target) => {
        if (!dragged) return
        const parent = target.item.getId() === ROOT ? null : target.item.getId()
        onHold(null)
        if (!('childIndex' in target)) return onPut(dragged.getId(), { parent })
        const siblings = target.item.getChildren().filter((one) => one.getId() !== dragged.getId())
        onPut(dragged.getId(), { parent, before: siblings[target.insertionIndex]?.getId() ?? null })
      },
    },
  })
  const spots = spotsFor(items, held)
  const put = (id: string, spot: Spot) => {
    onHold(null)
    onPut(id, spot)
  }
  const among = (node: Node, by: -1 | 1) => {
    const siblings = items.filter((one) => one.parent === node.getItemData().parent)
    const to = node.getIndexInParent() + by
    if (to < 0 || to >= siblings.length) return
    // behind the next one is before the one after that
    onPut(node.getId(), { parent: node.getItemData().parent, before: siblings[by < 0 ? to : to + 1]?.id ?? null })
  }
  const keys = (event: KeyboardEvent, node: Node) => {
    if (event.target !== event.currentTarget) return
    const item = node.getItemData()
    const { key, nativeEvent } = event
    if (event.altKey && (key === 'ArrowUp' || key === 'ArrowDown')) among(node, key === 'ArrowUp' ? -1 : 1)
    else if (ctrl('x')(nativeEvent)) onHold(held === item.id ? null : item.id)
    else if (onMerge && altShift('m')(nativeEvent)) onMerge(item)
    else if (held && key === 'Enter' && spots.inside(item)) put(held, event.shiftKey ? spots.before(item) : { parent: item.id })
    else if (held && key === 'Escape') onHold(null)
    else if (key === 'F2' || (key === 'Enter' && !held)) onRename(item)
    else if (key === 'Delete') onRemove(item)
    else if (!walk(event, node)) return
    event.preventDefault()
  }
  /** While an item is picked up: whether it can be put down at this one. */
  const canTake = (item: TreeItem) => held !== null && held !== item.id && spots.inside(item)
  const row = (node: Node) => {
    const item = node.getItemData()
    const { onClick: _, ...props } = node.getProps()
    const tabIndex = node.isFocused() ? 0 : -1
    return (
      <div
        {...props}
        key={item.id}
        role="treeitem"
        tabIndex={tabIndex}
        data-item={item.id}
        aria-selected={item.id === held || item.id === picked}
        aria-current={item.id === picked ? 'true' : undefined}
        aria-label={[
          item.name,
          ...(canTake(item) ? [words.before, words.after, words.inside] : []), // WCAG 2.5.3: the name contains the visible text
          ...(item.count === undefined ? [] : [words.count({ count: item.count })]),
        ].join(', ')}
        onFocus={() => node.setFocused()}
        onKeyDown={(event) => keys(event, node)}
        className={`-outline-offset-2 group flex min-h-8 cursor-grab items-center gap-2 border-b border-b-hairline border-l-3 pr-2 hover:bg-paper ${look(node, item.id === held, item.id === picked)}`}
        style={{ paddingInlineStart: 4 + node.getItemMeta().level * 20 }}
      >
        <Twisty node={node} />
        <span
          className={`min-w-0 flex-1 truncate ${item.retired ? 'text-quiet line-through' : ''}`}
          {...(onPick ? { onClick: () => onPick(item) } : {})}
        >
          {item.name}
        </span>{' '}
        {canTake(item) ? (
          <span className="invisible flex gap-1 group-focus-within:visible group-focus:visible group-hover:visible">
            <Put tabIndex={tabIndex} name={words.before} onPut={() => held && put(held, spots.before(item))} />{' '}
            <Put tabIndex={tabIndex} name={words.after} onPut={() => held && put(held, spots.after(item))} />{' '}
            <Put tabIndex={tabIndex} name={words.inside} onPut={() => held && put(held, { parent: item.id })} />
          </span>
        ) : (
          <>
            {item.count === undefined ? null : <span className="text-caption text-quiet">{number(item.count)}</span>}
            {more(item, tabIndex)}
          </>
        )}
      </div>
    )
  }
  return <TreeRows tree={tree} label={label} height={33} scroll={scroll} row={row} />
}

/** Picked up, or where what is dragged would go, or shown beside the tree. */
function look(node: Node, held: boolean, picked: boolean): string {
  if (held) return 'border-l-accent bg-accent-tint outline-1 outline-accent outline-dashed'
  if (node.isUnorderedDragTarget()) return 'border-l-accent bg-accent-tint'
  if (node.isDragTargetAbove()) return 'border-l-transparent shadow-[0_-2px_0_var(--color-accent)]'
  if (node.isDragTargetBelow()) return 'border-l-transparent shadow-[0_2px_0_var(--color-accent)]'
  return picked ? 'border-l-accent bg-paper font-semibold' : 'border-l-transparent'
}

function Put({ name, tabIndex, onPut }: { name: string; tabIndex: 0 | -1; onPut: () => void }) {
  return (
    <button
      type="button"
      tabIndex={tabIndex}
      className="min-h-6 rounded-ui border border-edge bg-paper px-2 text-caption text-accent hover:border-accent"
      onClick={onPut}
    >
      {name}
    </button>
  )
}
