import type { TreeNode } from '@/api/question'

const VOID = ['br', 'img', 'hr', 'col', 'wbr']
const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;')

/** A clean tree as markup, for an editor to begin with. */
export const treeHtml = (nodes: TreeNode[]): string =>
  nodes
    .map((node) => {
      if (typeof node === 'string') return escaped(node)
      const [name, attributes, ...children] = node as [string, Record<string, string>, ...TreeNode[]]
      const written = Object.entries(attributes)
        .map(([key, value]) => ` ${key}="${escaped(value)}"`)
        .join('')
      return VOID.includes(name) ? `<${name}${written}>` : `<${name}${written}>${treeHtml(children)}</${name}>`
    })
    .join('')
