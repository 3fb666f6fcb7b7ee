import { createElement, Fragment, type ReactNode } from 'react'
import { lazily } from '@/lib/lazily'
import { mathElements } from './mathElements'
import { sizes, srcSet } from './media'
import { readView, viewStyles } from './pictureView'

const Recording = lazily(() => import('./Recording'), 'Recording')

type Node = string | [string, Record<string, string>, ...unknown[]]

const names: Record<string, string> = { colspan: 'colSpan', rowspan: 'rowSpan' }

/** Elements that may be drawn; the server sends no others, and this does not take its word for it. */
const allowed = new Set([
  ...'p h3 h4 h5 ul ol li hr figure figcaption table caption thead tbody tr th td'.split(' '),
  ...'strong em u s sub sup code pre blockquote br a img audio video span div var'.split(' '),
  ...mathElements,
])

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

type Attributes = Record<string, string>

function picture({ 'data-media': id, 'data-view': part, ...said }: Attributes, key: string, media: Props['media']): ReactNode {
  const address = id === undefined ? '' : (media?.(id) ?? '')
  const view = readView(part)
  const width = said.width === undefined ? null : Number(said.width)
  const props = { src: address, alt: said.alt ?? '' }
  if (view) {
    const { box, picture } = viewStyles(view, width)
    return (
      <span key={key} className="viewed" style={box}>
        <img {...props} alt={props.alt} style={picture} />
      </span>
    )
  }
  // Narrower copies are offered where the author set a width; without one a browser would take the copy's width for it.
  const copies = width !== null && address !== '' ? { srcSet: srcSet(address), sizes: sizes(width) } : {}
  return <img key={key} {...props} alt={props.alt} {...copies} width={said.width} height={said.height} lang={said.lang} dir={said.dir} />
}

function recording(kind: 'audio' | 'video', at: Attributes, key: string, media: Props['media']): ReactNode {
  const of = (name: string) => (at[name] === undefined ? undefined : media?.(at[name]))
  return (
    <Recording
      key={key}
      kind={kind}
      source={of('data-media') ?? ''}
      captions={of('data-captions')}
      title={at.title}
      transcript={at['data-transcript']}
      plays={at['data-plays'] === undefined ? undefined : Number(at['data-plays'])}
      width={at.width}
      height={at.height}
    />
  )
}

function draw(node: Node, key: string, slots: Pick<Props, 'part' | 'gap' | 'piece' | 'media'>): ReactNode {
  if (typeof node === 'string') return <Fragment key={key}>{node}</Fragment>
  const [name, attributes, ...children] = node
  const id = attributes['data-part']
  if (id !== undefined) return <Fragment key={key}>{slots.part?.(id) ?? '…'}</Fragment>
  const gap = attributes['data-gap']
  if (gap !== undefined) return <Fragment key={key}>{slots.gap?.(gap, attributes['data-of'] ?? '') ?? '…'}</Fragment>
  const value = attributes['data-value']
  if (value !== undefined && name === 'var') {
    // where no roll filled it, its name stands for it
    return (
      <span key={key} className="anchor-value">
        {value}
      </span>
    )
  }
  if (!allowed.has(name)) return null
  if (name === 'audio' || name === 'video') return recording(name, attributes, key, slots.media)
  if (name === 'img') return picture(attributes, key, slots.media)
  const props: Record<string, unknown> = { key }
  for (const [attribute, value] of Object.entries(attributes)) {
    if (attribute === 'data-colwidth') props.style = { width: `${Number.parseInt(value, 10)}px` }
    else if (attribute === 'data-align') props.className = `align-${value}`
    else if (!attribute.startsWith('on') && attribute !== 'style') props[names[attribute] ?? attribute] = value
  }
  if (name === 'a') props.rel = 'noopener noreferrer'
  const drawn = children.map((child, i) => draw(child as Node, `${i}`, slots))
  const piece = attributes['data-piece']
  if (piece !== undefined && slots.piece) return <Fragment key={key}>{slots.piece(piece, drawn)}</Fragment>
  return createElement(name, props, ...(drawn.length > 0 ? drawn : []))
}
