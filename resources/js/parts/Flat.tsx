import type { TreeNode } from '@/api/question'
import { RichTree } from '@/ui/RichTree'

/** Rich text inside a line: paragraphs stand one after the other. */
export function Flat({ nodes, media }: { nodes: TreeNode[]; media?: ((id: string) => string) | undefined }) {
  const inline = nodes.map((node): TreeNode => (Array.isArray(node) && node[0] === 'p' ? ['span', {}, ...node.slice(2)] : node))
  return <RichTree nodes={inline} {...(media ? { media } : {})} />
}
