import type { TreeNode } from '@/api/question'
import { RichTree } from '@/ui/RichTree'

/** Rich text inside a line: paragraphs stand one after the other. */
export function Flat({ nodes, media }: { nodes: TreeNode[]; media?: ((id: string) => string) | undefined }) {
  const inline = nodes.map(inSpan)
  return <RichTree nodes={inline} {...(media ? { media } : {})} />
}

function inSpan(node: TreeNode): TreeNode {
  if (typeof node === 'string') return node
  const [name, , ...children] = node
  return name === 'p' ? ['span', {}, ...children] : node
}
