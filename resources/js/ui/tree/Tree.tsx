import { type KeyboardEvent, memo, type ReactNode, useCallback, useRef } from 'react'
import { number } from '@/lib/format'
import { Tick } from '../Tick'
import type { TreeItem } from './items'
import { TreeRows } from './TreeRows'
import { Twisty } from './Twisty'
import { type Node, useTreeModel } from './useTreeModel'

type Props = {
  label: string
  items: TreeItem[]
  ticked: string[]
  onTick: (id: string) => void
  /** What can be done with an item, drawn at its end. */
  more?: (item: TreeItem, tabIndex: 0 | -1) => ReactNode
  /** What is closed is remembered under this name. */
  name: string
}

/** A tree whose items can be ticked, several at once. Arrow keys and typing walk, arrows open and close; Space or Enter ticks. */
export const Tree = memo(function Tree({ label, items, ticked, onTick, more, name }: Props) {
  const scroll = useRef<((node: Node) => void) | null>(null)
  const model = useTreeModel({ items, name, scrollTo: (node) => scroll.current?.(node) })
  const latest = useRef(model.walk)
  latest.current = model.walk
  const walk = useCallback((event: KeyboardEvent, node: Node) => latest.current(event, node), [])
  return (
    <TreeRows
      tree={model.tree}
      label={label}
      several
      height={28}
      scroll={scroll}
      row={(node) => {
        const item = node.getItemData()
        const { level, posInSet, setSize } = node.getItemMeta()
        return (
          <Row
            key={item.id}
            node={node}
            name={item.name}
            count={item.count}
            parent={item.parent}
            isTicked={ticked.includes(item.id)}
            isFocused={node.isFocused()}
            shape={`${level} ${posInSet} ${setSize} ${node.isFolder()} ${node.isFolder() && node.isExpanded()}`}
            onTick={onTick}
            walk={walk}
            more={more}
          />
        )
      }}
    />
  )
})

type RowProps = {
  node: Node
  name: string
  count: number | undefined
  parent: string | null
  isTicked: boolean
  isFocused: boolean
  /** Where it stands and whether it is open: what else of the node is drawn. */
  shape: string
  onTick: (id: string) => void
  walk: (event: KeyboardEvent, node: Node) => boolean
  more: Props['more'] | undefined
}

const TICKED = 'border-accent bg-paper font-semibold'
const UNTICKED = 'border-transparent hover:bg-paper'

/** Drawn again only when something of it has changed: a tree has many, and counts change while one types. */
const Row = memo(function Row({ node, name, count, isTicked, isFocused, onTick, walk, more }: RowProps) {
  const id = node.getId()
  const { onClick: _, ...props } = node.getProps()
  return (
    <div
      {...props}
      role="treeitem"
      tabIndex={isFocused ? 0 : -1}
      data-item={id}
      aria-selected={isTicked}
      aria-label={count === undefined ? name : `${name}, ${number(count)}`}
      onFocus={() => node.setFocused()}
      onKeyDown={(event) => {
        if (event.target !== event.currentTarget) return
        if (event.key === 'Enter' || event.key === ' ') onTick(id)
        else if (!walk(event, node)) return
        event.preventDefault()
      }}
      className={`-outline-offset-2 group flex min-h-7 items-center gap-1.5 border-l-3 pr-2 ${isTicked ? TICKED : UNTICKED}`}
      style={{ paddingInlineStart: 2 + node.getItemMeta().level * 16 }}
    >
      <Twisty node={node} />
      {/* biome-ignore lint/a11y/noStaticElementInteractions lint/a11y/useKeyWithClickEvents: the keys are on the item */}
      <span className="flex min-w-0 flex-1 cursor-pointer items-center gap-2" onClick={() => onTick(id)}>
        <Tick on={isTicked} />
        <span className="min-w-0 flex-1 truncate">{name}</span>{' '}
        {count === undefined ? null : <span className="text-caption text-quiet">{number(count)}</span>}
      </span>
      {more?.(node.getItemData(), isFocused ? 0 : -1)}
    </div>
  )
})
