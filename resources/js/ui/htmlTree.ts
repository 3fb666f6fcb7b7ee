import type { TreeNode } from '@/api/question'

/** Markup as nested nodes, to be drawn by RichTree; parsed without being part of a page, so nothing in it runs or loads. */
export function htmlTree(html: string): TreeNode[] {
  return [...new DOMParser().parseFromString(html, 'text/html').body.childNodes].flatMap(node)
}

function node(from: globalThis.Node): TreeNode[] {
  if (from.nodeType === globalThis.Node.TEXT_NODE) return [from.textContent ?? '']
  if (!(from instanceof Element)) return []
  return [
    [from.localName, Object.fromEntries([...from.attributes].map((one) => [one.name, one.value])), ...[...from.childNodes].flatMap(node)],
  ]
}
