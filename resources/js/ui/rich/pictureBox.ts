import type { Editor } from '@tiptap/core'
import type { Node as PmNode } from '@tiptap/pm/model'
import { NodeSelection } from '@tiptap/pm/state'
import { sizes, srcSet } from '../media'
import { readView, viewStyles } from '../pictureView'

/** Names for the handle and for what a picture without words is called. */
export type PictureWords = { handle: string; decorative: string; undescribed: string }
export type PictureView = {
  media: (id: string) => string
  words: PictureWords
  /** Asks what a picture or recording is, and changes it; left out where it cannot be asked. */
  describe?: (editor: Editor, at: number) => void
}

export const LEAST = 16
export const MOST = 2000
/** + and − change the width by so much, Alt and an arrow by so many pixels. */
const STEP = 1.1
const PIXELS = 10

const hasWidth = (node: PmNode | null | undefined) => node?.type.name === 'picture' || node?.type.name === 'figure'

function setWidth(editor: Editor, at: number, width: number): boolean {
  const node = editor.state.doc.nodeAt(at)
  if (!node || !hasWidth(node)) return false
  const next = Math.round(Math.min(MOST, Math.max(LEAST, width)))
  const tr = editor.state.tr.setNodeMarkup(at, undefined, { ...node.attrs, width: next, height: null })
  editor.view.dispatch(tr.setSelection(NodeSelection.create(tr.doc, at)))
  return true
}

/** Enter describes a selected picture, + and − change its width. */
export function pictureKeys(editor: Editor, name: 'picture' | 'figure', view: PictureView) {
  const selected = () => {
    const { selection } = editor.state
    return selection instanceof NodeSelection && selection.node.type.name === name ? selection : null
  }
  const wider =
    (by: number, more = 0) =>
    () => {
      const at = selected()
      if (!at) return false
      const shown = editor.view.nodeDOM(at.from)
      const now = at.node.attrs.width ?? (shown instanceof HTMLElement ? (shown.querySelector('img')?.offsetWidth ?? 300) : 300)
      return setWidth(editor, at.from, now * by + more)
    }
  const describe = () => {
    const at = selected()
    if (!at || !view.describe) return false
    view.describe(editor, at.from)
    return true
  }
  return {
    Enter: describe,
    '+': wider(STEP),
    '-': wider(1 / STEP),
    'Alt-ArrowRight': wider(1, PIXELS),
    'Alt-ArrowLeft': wider(1, -PIXELS),
  }
}

/** A picture with a handle for its width, as it stands in a text that is being written. */
export function pictureBox(view: PictureView, editor: Editor, getPos: () => number | undefined) {
  const dom = document.createElement('span')
  const frame = document.createElement('span')
  const img = document.createElement('img')
  const handle = document.createElement('span')
  const note = document.createElement('span')
  dom.className = 'picture-node'
  dom.contentEditable = 'false'
  handle.className = 'picture-handle'
  handle.title = view.words.handle
  note.className = 'picture-note'
  frame.append(img)
  dom.append(frame, handle, note)
  const draw = ({ attrs: { id, alt, width, height, view: part } }: PmNode) => {
    const address = view.media(id)
    const seen = readView(part)
    img.src = address
    img.alt = alt ?? ''
    for (const [name, value] of Object.entries({ width, height })) {
      if (value && !seen) img.setAttribute(name, String(value))
      else img.removeAttribute(name)
    }
    for (const name of ['srcset', 'sizes']) img.removeAttribute(name)
    if (width && !seen) {
      img.sizes = sizes(width)
      img.srcset = srcSet(address)
    }
    const { box, picture } = seen ? viewStyles(seen, width) : { box: {}, picture: {} }
    frame.className = seen ? 'viewed' : 'picture-frame'
    for (const [element, styles] of [[frame, box] as const, [img, picture] as const]) {
      element.removeAttribute('style')
      Object.assign(element.style, styles)
    }
    note.textContent = alt === null ? view.words.undescribed : alt === '' ? view.words.decorative : alt
    dom.dataset.undescribed = String(alt === null)
  }
  let dragging: { from: number; width: number } | null = null
  handle.addEventListener('pointerdown', (event) => {
    event.preventDefault()
    event.stopPropagation()
    dragging = { from: event.clientX, width: frame.offsetWidth || img.offsetWidth }
    handle.setPointerCapture(event.pointerId)
  })
  handle.addEventListener('pointermove', (event) => {
    if (!dragging) return
    const scaled = frame.className === 'viewed' ? frame : img
    scaled.style.width = `${Math.max(LEAST, dragging.width + event.clientX - dragging.from)}px`
  })
  const end = (event: PointerEvent) => {
    if (!dragging) return
    const width = dragging.width + event.clientX - dragging.from
    dragging = null
    img.style.width = ''
    const at = getPos()
    if (at !== undefined) setWidth(editor, at, width)
  }
  handle.addEventListener('pointerup', end)
  handle.addEventListener('pointercancel', end)
  img.addEventListener('dblclick', () => {
    const at = getPos()
    if (at !== undefined) view.describe?.(editor, at)
  })
  return { dom, img, handle, draw }
}
