import { type Editor, Node } from '@tiptap/core'
import type { Node as PmNode } from '@tiptap/pm/model'
import { NodeSelection } from '@tiptap/pm/state'
import { type Picture, sizes, srcSet } from '../media'

/** Names for the handle and for what a picture without words is called. */
export type PictureWords = { handle: string; decorative: string; undescribed: string }
export type PictureView = {
  media: (id: string) => string
  words: PictureWords
  /** Asks what a picture shows, and changes it; left out where it cannot be asked. */
  describe?: (editor: Editor, at: number) => void
}

export const LEAST = 16
export const MOST = 2000
/** + and − change the width by so much. */
const STEP = 1.1

export const pictureOf = (node: PmNode): Picture => ({ id: node.attrs.id, alt: node.attrs.alt, width: node.attrs.width })

const whole = (name: 'width' | 'height') => ({
  default: null,
  parseHTML: (element: HTMLElement) => (element.hasAttribute(name) ? Number(element.getAttribute(name)) : null),
})

/** A picture of the library in a line of text: chosen by a click or the arrow keys, described by Enter, made wider by + and −. */
export const pictureNode = (view: PictureView) =>
  Node.create({
    name: 'picture',
    group: 'inline',
    inline: true,
    atom: true,
    selectable: true,
    draggable: true,
    addAttributes: () => ({
      id: { parseHTML: (element) => element.getAttribute('data-media') },
      alt: { default: null, parseHTML: (element) => element.getAttribute('alt') },
      width: whole('width'),
      height: whole('height'),
    }),
    parseHTML: () => [{ tag: 'img[data-media]', priority: 100 }],
    renderHTML: ({ node }) => {
      const { id, alt, width, height } = node.attrs
      return ['img', { ...(alt === null ? {} : { alt }), 'data-media': id, ...(height ? { height } : {}), ...(width ? { width } : {}) }]
    },
    addKeyboardShortcuts() {
      const selected = () => {
        const { selection } = this.editor.state
        return selection instanceof NodeSelection && selection.node.type.name === 'picture' ? selection : null
      }
      const wider = (by: number) => () => {
        const at = selected()
        if (!at) return false
        const shown = this.editor.view.nodeDOM(at.from)
        const now = at.node.attrs.width ?? (shown instanceof HTMLElement ? (shown.querySelector('img')?.offsetWidth ?? 300) : 300)
        return setWidth(this.editor, at.from, now * by)
      }
      const describe = () => {
        const at = selected()
        if (!at || !view.describe) return false
        view.describe(this.editor, at.from)
        return true
      }
      return {
        Enter: describe,
        '+': wider(STEP),
        '-': wider(1 / STEP),
      }
    },
    addNodeView: () => nodeView(view),
  })

function setWidth(editor: Editor, at: number, width: number): boolean {
  const node = editor.state.doc.nodeAt(at)
  if (node?.type.name !== 'picture') return false
  const next = Math.round(Math.min(MOST, Math.max(LEAST, width)))
  const tr = editor.state.tr.setNodeMarkup(at, undefined, { ...node.attrs, width: next, height: null })
  editor.view.dispatch(tr.setSelection(NodeSelection.create(tr.doc, at)))
  return true
}

function nodeView(view: PictureView) {
  return ({ node, editor, getPos }: { node: PmNode; editor: Editor; getPos: () => number | undefined }) => {
    const dom = document.createElement('span')
    const img = document.createElement('img')
    const handle = document.createElement('span')
    const note = document.createElement('span')
    dom.className = 'picture-node'
    dom.contentEditable = 'false'
    handle.className = 'picture-handle'
    handle.title = view.words.handle
    note.className = 'picture-note'
    dom.append(img, handle, note)
    const draw = (now: PmNode) => {
      const { id, alt, width, height } = now.attrs
      const address = view.media(id)
      img.src = address
      img.alt = alt ?? ''
      for (const [name, value] of Object.entries({ width, height })) {
        if (value) img.setAttribute(name, String(value))
        else img.removeAttribute(name)
      }
      if (width) {
        img.sizes = sizes(width)
        img.srcset = srcSet(address)
      }
      note.textContent = alt === null ? view.words.undescribed : alt === '' ? view.words.decorative : alt
      dom.dataset.undescribed = String(alt === null)
    }
    draw(node)
    let dragging: { from: number; width: number } | null = null
    handle.addEventListener('pointerdown', (event) => {
      event.preventDefault()
      event.stopPropagation()
      dragging = { from: event.clientX, width: img.offsetWidth }
      handle.setPointerCapture(event.pointerId)
    })
    handle.addEventListener('pointermove', (event) => {
      if (dragging) img.style.width = `${Math.max(LEAST, dragging.width + event.clientX - dragging.from)}px`
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
    return {
      dom,
      update: (now: PmNode) => {
        if (now.type.name !== 'picture') return false
        draw(now)
        return true
      },
      stopEvent: (event: Event) => event.target === handle,
      ignoreMutation: () => true,
    }
  }
}
