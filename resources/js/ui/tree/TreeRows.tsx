import type { TreeInstance } from '@headless-tree/core'
import { useVirtualizer } from '@tanstack/react-virtual'
import { type ReactNode, type RefObject, useLayoutEffect, useState } from 'react'
import type { TreeItem } from './items'
import type { Node } from './useTreeModel'

/** A tree with fewer rows is drawn whole. */
const MANY = 150

type Props = {
  tree: TreeInstance<TreeItem>
  label: string
  several?: boolean
  /** CSS pixels of a row. */
  height: number
  scroll: RefObject<((node: Node) => void) | null>
  row: (node: Node) => ReactNode
}

/** The rows of a tree: of a long one only those in sight, in whatever scrolls around it. */
export function TreeRows({ tree, label, several, height, scroll, row }: Props) {
  const nodes = tree.getItems()
  const [around, setAround] = useState<{ scroller: HTMLElement; above: number } | null>(null)
  const many = nodes.length > MANY
  useLayoutEffect(() => {
    const element = many ? tree.getElement() : null
    const scroller = element ? scrollerOf(element) : null
    if (!scroller || !element) return setAround(null)
    setAround({ scroller, above: element.getBoundingClientRect().top - scroller.getBoundingClientRect().top + scroller.scrollTop })
  }, [many, tree])
  const virtual = useVirtualizer({
    count: many ? nodes.length : 0,
    getScrollElement: () => around?.scroller ?? null,
    estimateSize: () => height,
    scrollMargin: around?.above ?? 0,
    overscan: 10,
  })
  scroll.current = (node) => {
    if (many) virtual.scrollToIndex(node.getItemMeta().index, { align: 'auto' })
  }
  return (
    <div
      {...tree.getContainerProps(label)}
      {...(several === undefined ? {} : { 'aria-multiselectable': several })}
      style={{ position: 'relative', ...(many ? { height: virtual.getTotalSize() } : {}) }}
    >
      {many
        ? virtual.getVirtualItems().map(({ index, start }) => {
            const node = nodes[index]
            return node ? (
              <div
                key={node.getId()}
                role="presentation"
                className="absolute inset-x-0 top-0"
                style={{ transform: `translateY(${start - (around?.above ?? 0)}px)` }}
              >
                {row(node)}
              </div>
            ) : null
          })
        : nodes.map(row)}
    </div>
  )
}

function scrollerOf(element: HTMLElement): HTMLElement {
  for (let at = element.parentElement; at; at = at.parentElement) if (/auto|scroll/.test(getComputedStyle(at).overflowY)) return at
  return document.documentElement
}
