import { dragAndDropFeature, type ItemInstance, syncDataLoaderFeature, type TreeConfig } from '@headless-tree/core'
import { useTree } from '@headless-tree/react'
import { type KeyboardEvent, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { isTexts, storedValue, storeValue } from '@/lib/storage'
import { ROOT, type TreeItem, treeOf } from './items'
import { nextNamed, TYPE_AHEAD_PAUSE } from './typeAhead'

export type Node = ItemInstance<TreeItem>
type Options = {
  items: TreeItem[]
  /** What is closed is remembered under this name. */
  name?: string
  /** Brings an item that is not drawn into sight. */
  scrollTo: (node: Node) => void
  drag?: Pick<TreeConfig<TreeItem>, 'canDrop' | 'onDrop'>
}

/** A tree of items: what is open, where the cursor is, and the keys that walk in it (WAI-ARIA Authoring Practices, tree view). */
export function useTreeModel({ items, name, scrollTo, drag }: Options) {
  const key = name === undefined ? null : `tree:${name}`
  const [closed, setClosed] = useState<string[]>(() => (key === null ? [] : storedValue(key, isTexts, [])))
  const data = useMemo(() => treeOf(items), [items])
  // Remembered is what is closed: a new branch is open.
  const expanded = useMemo(() => data.branches.filter((id) => !closed.includes(id)), [data, closed])
  const tree = useTree<TreeItem>({
    rootItemId: ROOT,
    getItemName: (node) => node.getItemData().name,
    isItemFolder: (node) => data.childrenOf(node.getId()).length > 0,
    dataLoader: { getItem: data.item, getChildren: data.childrenOf },
    state: { expandedItems: expanded },
    setExpandedItems: (change) => {
      const open = new Set(typeof change === 'function' ? change(expanded) : change)
      // What is closed and not shown now, because only a part of the tree is, stays closed.
      const now = [...closed.filter((id) => !data.branches.includes(id)), ...data.branches.filter((id) => !open.has(id))]
      setClosed(now)
      if (key !== null) storeValue(key, now)
    },
    scrollToItem: scrollTo,
    features: drag ? [syncDataLoaderFeature, dragAndDropFeature] : [syncDataLoaderFeature],
    ...drag,
  })
  // biome-ignore lint/correctness/useExhaustiveDependencies: the list of rows is made anew when items or open branches change
  useLayoutEffect(() => tree.rebuildTree(), [tree, data, expanded])

  const typed = useRef({ text: '', at: 0 })
  const go = (node: Node | undefined) => {
    if (!node) return
    node.setFocused()
    const element = node.getElement()
    if (element?.isConnected) element.focus()
    else tree.updateDomFocus() // once it is drawn
  }
  const walkTo = (node: Node | undefined) => {
    typed.current.at = 0 // what is typed next is another word
    go(node)
  }
  const typeAhead = (letter: string, node: Node) => {
    const time = Date.now()
    const text = time - typed.current.at > TYPE_AHEAD_PAUSE ? letter : typed.current.text + letter
    typed.current = { text, at: time }
    const nodes = tree.getItems()
    const names = nodes.map((one) => one.getItemName())
    go(nodes[nextNamed(names, node.getItemMeta().index, text)])
  }
  /** @return whether the key meant something here */
  const walk = (event: KeyboardEvent, node: Node): boolean => {
    const nodes = tree.getItems()
    const open = node.isFolder() && node.isExpanded()
    switch (event.key) {
      case 'ArrowDown':
        walkTo(node.getItemBelow())
        return true
      case 'ArrowUp':
        walkTo(node.getItemAbove())
        return true
      case 'Home':
        walkTo(nodes[0])
        return true
      case 'End':
        walkTo(nodes.at(-1))
        return true
      case 'ArrowRight':
        if (open) walkTo(node.getItemBelow())
        else node.expand()
        return true
      case 'ArrowLeft':
        if (open) node.collapse()
        else if (node.getItemMeta().level > 0) walkTo(node.getParent())
        return true
    }
    if (event.key.length !== 1 || event.key === ' ' || event.altKey || event.ctrlKey || event.metaKey) return false
    typeAhead(event.key, node)
    return true
  }
  return { tree, walk }
}
