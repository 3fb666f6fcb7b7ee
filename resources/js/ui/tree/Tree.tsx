import { type ReactNode, useRef } from 'react'
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
export function Tree({ label, items, ticked, onTick, more, name }: Props) {
  const scroll = useRef<((node: Node) => void) | null>(null)
  const { tree, walk } = useTreeModel({ items, name, scrollTo: (node) => scroll.current?.(node) })
  const row = (node: Node) => {
    const item = node.getItemData()
    const on = ticked.includes(item.id)
    const { onClick: _, ...props } = node.getProps()
    return (
      <div
        {...props}
        key={item.id}
        role="treeitem"
        tabIndex={node.isFocused() ? 0 : -1}
        data-item={item.id}
        aria-selected={on}
        aria-label={item.count === undefined ? item.name : `${item.name}, ${number(item.count)}`}
        onFocus={() => node.setFocused()}
        onKeyDown={(event) => {
          if (event.target !== event.currentTarget) return
          if (event.key === 'Enter' || event.key === ' ') onTick(item.id)
          else if (!walk(event, node)) return
          event.preventDefault()
        }}
        className={`-outline-offset-2 group flex min-h-7 items-center gap-1.5 border-l-3 pr-2 ${on ? 'border-accent bg-paper font-semibold' : 'border-transparent hover:bg-paper'}`}
        style={{ paddingInlineStart: 2 + node.getItemMeta().level * 16 }}
      >
        <Twisty node={node} />
        {/* biome-ignore lint/a11y/noStaticElementInteractions lint/a11y/useKeyWithClickEvents: the keys are on the item */}
        <span className="flex min-w-0 flex-1 cursor-pointer items-center gap-2" onClick={() => onTick(item.id)}>
          <Tick on={on} />
          <span className="min-w-0 flex-1 truncate">{item.name}</span>{' '}
          {item.count === undefined ? null : <span className="text-caption text-quiet">{number(item.count)}</span>}
        </span>
        {more?.(item, node.isFocused() ? 0 : -1)}
      </div>
    )
  }
  return <TreeRows tree={tree} label={label} several height={28} scroll={scroll} row={row} />
}
