import type { TreeNode } from '@/api/question'

const raised: Record<string, string> = {
  '0': '⁰',
  '1': '¹',
  '2': '²',
  '3': '³',
  '4': '⁴',
  '5': '⁵',
  '6': '⁶',
  '7': '⁷',
  '8': '⁸',
  '9': '⁹',
  '+': '⁺',
  '-': '⁻',
  '−': '⁻',
}
const lowered: Record<string, string> = {
  '0': '₀',
  '1': '₁',
  '2': '₂',
  '3': '₃',
  '4': '₄',
  '5': '₅',
  '6': '₆',
  '7': '₇',
  '8': '₈',
  '9': '₉',
  '+': '₊',
  '-': '₋',
  '−': '₋',
}

/** A tree as one line of plain text, for where nothing else can stand: raised and lowered digits stay such, a picture is its description. */
export function treeWords(nodes: TreeNode[]): string {
  return nodes.map(word).join('').replace(/\s+/g, ' ').trim()
}

function word(node: TreeNode): string {
  if (typeof node === 'string') return node
  const [name, attributes, ...children] = node
  if (name === 'img') return attributes.alt ?? ''
  const inside = (children as TreeNode[]).map(word).join('')
  if (name === 'sup') return shifted(inside, raised, '^')
  if (name === 'sub') return shifted(inside, lowered, '_')
  return name === 'p' || name === 'br' ? `${inside} ` : inside
}

const shifted = (words: string, digits: Record<string, string>, sign: string) =>
  [...words].every((one) => digits[one]) ? [...words].map((one) => digits[one]).join('') : `${sign}${words}`
