import type { Node } from './useTreeModel'

/** Opens and closes a branch of a tree with the mouse; by keyboard the arrow keys of the item do it. */
export function Twisty({ node }: { node: Node }) {
  return (
    <button
      type="button"
      tabIndex={-1}
      aria-hidden="true"
      className={`w-5 text-quiet ${node.isFolder() ? '' : 'invisible'}`}
      onClick={() => (node.isExpanded() ? node.collapse() : node.expand())}
    >
      {node.isExpanded() ? '▾' : '▸'}
    </button>
  )
}
