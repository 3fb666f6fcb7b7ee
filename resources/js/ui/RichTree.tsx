import { createElement, Fragment, type ReactNode } from 'react'
import { sizes, srcSet } from './media'

type Node = string | [string, Record<string, string>, ...unknown[]]

const names: Record<string, string> = { colspan: 'colSpan', rowspan: 'rowSpan' }

/** Elements that may be drawn; the server sends no others, and this does not take its word for it. */
const allowed = new Set(
  'p h3 h4 h5 ul ol li table caption thead tbody tr th td strong em u s sub sup code pre blockquote br a img audio video span div var math mrow mi mn mo ms mtext mspace mfrac msqrt mroot msub msup msubsup munder mover munderover mmultiscripts mprescripts mtable mtr mtd mstyle mpadded mphantom merror semantics annotation'.split(
    ' ',
  ),
)

type Props = {
  nodes: Node[]
  part?: (id: string) => ReactNode
  gap?: (id: string, of: string) => ReactNode
  piece?: (id: string, words: ReactNode) => ReactNode
  media?: (id: string) => string
}

/** Rich text from a tree of nodes: elements are made one by one, no markup is ever set as a string. */
export function RichTree({ nodes, part, gap, piece, media }: Props) {
  return <>{nodes.map((node, i) => draw(node, `${i}`, { part, gap, piece, media }))}</>
}

/** Narrower copies are offered where the author set a width; without one a browser would take the copy's width for it. */
function source(address: string, name: string, width: string | undefined): Record<string, string> {
  return name === 'img' && width !== undefined && address !== ''
    ? { src: address, srcSet: srcSet(address), sizes: sizes(Number(width)) }
    : { src: address }
}

function draw(node: Node, key: string, slots: Pick<Props, 'part' | 'gap' | 'piece' | 'media'>): ReactNode {
  if (typeof node === 'string') return <Fragment key={key}>{node}</Fragment>
  const [name, attributes, ...children] = node
  const id = attributes['data-part']
  if (id !== undefined) return <Fragment key={key}>{slots.part?.(id) ?? '…'}</Fragment>
  const gap = attributes['data-gap']
  if (gap !== undefined) return <Fragment key={key}>{slots.gap?.(gap, attributes['data-of'] ?? '') ?? '…'}</Fragment>
  if (!allowed.has(name)) return null
  const props: Record<string, string> = { key }
  for (const [attribute, value] of Object.entries(attributes)) {
    if (attribute === 'data-media') Object.assign(props, source(slots.media?.(value) ?? '', name, attributes.width))
    else if (!attribute.startsWith('on') && attribute !== 'style') props[names[attribute] ?? attribute] = value
  }
  if (name === 'a') props.rel = 'noopener noreferrer'
  const drawn = children.map((child, i) => draw(child as Node, `${i}`, slots))
  const piece = attributes['data-piece']
  if (piece !== undefined && slots.piece) return <Fragment key={key}>{slots.piece(piece, drawn)}</Fragment>
  return createElement(name, props, ...(drawn.length > 0 ? drawn : []))
}
