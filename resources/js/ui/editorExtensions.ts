import { Extension, Mark, mergeAttributes, Node } from '@tiptap/core'
import StarterKit from '@tiptap/starter-kit'
import { texts } from '@/messages'
import { type KeptView, keptTable } from './keptTable'
import { clearFormatting } from './rich/clearFormatting'
import { equationNode } from './rich/equation/equationNode'
import { figureNode } from './rich/figureNode'
import { keptSource } from './rich/keptSource'
import type { PictureView } from './rich/pictureBox'
import { pictureNode } from './rich/pictureNode'
import { recordingNode } from './rich/recordingNode'
import { remarkMark } from './rich/remarkMark'
import { uploading } from './rich/uploading'
import { tableNodes } from './tableNodes'

/** Words for the anchors drawn inside the text. */
export type AnchorWords = { part: (id: string) => string; gap?: (gap: string, of: string) => string }

const script = (name: 'sub' | 'sup') =>
  Mark.create({
    name,
    parseHTML: () => [{ tag: name }],
    renderHTML: ({ HTMLAttributes }) => [name, HTMLAttributes, 0],
    excludes: name === 'sub' ? 'sup' : 'sub',
    addKeyboardShortcuts() {
      return { [name === 'sub' ? 'Mod-,' : 'Mod-.']: () => this.editor.commands.toggleMark(name) }
    },
  })

/** Code may have other marks in it, as in a₂. */
const code = Mark.create({
  name: 'code',
  parseHTML: () => [{ tag: 'code' }],
  renderHTML: ({ HTMLAttributes }) => ['code', HTMLAttributes, 0],
  addKeyboardShortcuts() {
    return { 'Mod-e': () => this.editor.commands.toggleMark('code') }
  },
})

const anchor = (name: string, tag: 'div' | 'span', words: AnchorWords) =>
  Node.create({
    name,
    group: tag === 'div' ? 'block' : 'inline',
    inline: tag === 'span',
    atom: true,
    selectable: true,
    draggable: true,
    addAttributes: () => ({
      id: { parseHTML: (element) => element.getAttribute('data-part'), renderHTML: (at) => ({ 'data-part': at.id }) },
    }),
    parseHTML: () => [{ tag: `${tag}[data-part]`, priority: 90 }],
    renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes],
    addNodeView:
      () =>
      ({ node }) => {
        const dom = document.createElement(tag)
        dom.className = 'anchor-part'
        dom.dataset.place = node.attrs.id
        dom.textContent = words.part(node.attrs.id)
        dom.contentEditable = 'false'
        return { dom, ignoreMutation: () => true }
      },
  })

/** A gap that takes a tile of some part. */
const gap = (words: AnchorWords) =>
  Node.create({
    name: 'gap',
    group: 'inline',
    inline: true,
    atom: true,
    selectable: true,
    draggable: true,
    addAttributes: () => ({
      id: { parseHTML: (element) => element.getAttribute('data-gap'), renderHTML: (at) => ({ 'data-gap': at.id }) },
      of: { parseHTML: (element) => element.getAttribute('data-of'), renderHTML: (at) => ({ 'data-of': at.of }) },
    }),
    parseHTML: () => [{ tag: 'span[data-gap]', priority: 90 }],
    renderHTML: ({ HTMLAttributes }) => ['span', HTMLAttributes],
    addNodeView:
      () =>
      ({ node }) => {
        const dom = document.createElement('span')
        dom.className = 'anchor-part'
        dom.dataset.place = node.attrs.of
        dom.dataset.inGap = node.attrs.id
        dom.textContent = words.gap?.(node.attrs.id, node.attrs.of) ?? node.attrs.id
        dom.contentEditable = 'false'
        return { dom, ignoreMutation: () => true }
      },
  })

/** The places inside a text say again what they are called, where that has changed. */
export function nameAnchors(within: HTMLElement, words: AnchorWords) {
  for (const place of within.querySelectorAll<HTMLElement>('.anchor-part[data-place]')) {
    const { place: part = '', inGap } = place.dataset
    const name = inGap === undefined ? words.part(part) : (words.gap?.(inGap, part) ?? inGap)
    if (place.textContent !== name) place.textContent = name
  }
}

const value = Node.create({
  name: 'value',
  group: 'inline',
  inline: true,
  atom: true,
  addAttributes: () => ({
    name: { parseHTML: (element) => element.getAttribute('data-value'), renderHTML: (at) => ({ 'data-value': at.name }) },
  }),
  parseHTML: () => [{ tag: 'var[data-value]' }],
  renderHTML: ({ HTMLAttributes }) => ['var', mergeAttributes(HTMLAttributes)],
  addNodeView:
    () =>
    ({ node }) => {
      const dom = document.createElement('span')
      dom.className = 'anchor-value'
      dom.textContent = node.attrs.name
      return { dom }
    },
})

/** The language and direction of a passage (WCAG 3.1.2). */
const tongue = {
  lang: { default: null, parseHTML: (element: HTMLElement) => element.getAttribute('lang') },
  dir: { default: null, parseHTML: (element: HTMLElement) => element.getAttribute('dir') },
}
const tongues = Extension.create({
  name: 'tongues',
  addGlobalAttributes: () => [
    { types: ['paragraph', 'heading', 'blockquote', 'bulletList', 'orderedList', 'listItem'], attributes: tongue },
  ],
})
const passage = Mark.create({
  name: 'passage',
  addAttributes: () => tongue,
  parseHTML: () => [{ tag: 'span[lang]' }, { tag: 'span[dir]' }],
  renderHTML: ({ HTMLAttributes }) => ['span', HTMLAttributes, 0],
})

/** Back to plain words, and a line across. */
const clearing = Extension.create({
  name: 'clearing',
  addKeyboardShortcuts() {
    const rule = () => this.editor.commands.setHorizontalRule()
    return { 'Mod-\\': () => clearFormatting(this.editor), 'Mod-Shift--': rule, 'Mod-_': rule }
  },
})

/** Words of a text that can be picked. Two never overlap: a mark excludes itself. */
const piece = Mark.create({
  name: 'piece',
  inclusive: false,
  addAttributes: () => ({
    id: { parseHTML: (element) => element.getAttribute('data-piece'), renderHTML: (at) => ({ 'data-piece': at.id }) },
  }),
  parseHTML: () => [{ tag: 'span[data-piece]', priority: 80 }],
  renderHTML: ({ HTMLAttributes }) => ['span', HTMLAttributes, 0],
})

const nothing: PictureView = { media: () => '', words: { handle: '', decorative: '', undescribed: '' } }

export function extensions(words: AnchorWords, view: KeptView = { table: '' }, pictures: PictureView = nothing) {
  return [
    StarterKit.configure({
      code: false,
      heading: { levels: [3, 4, 5] },
      link: { openOnClick: false, HTMLAttributes: { target: null, rel: null, class: null } },
      trailingNode: false,
      undoRedo: false, // the whole question has one history
    }),
    code,
    script('sub'),
    script('sup'),
    anchor('partBlock', 'div', words),
    anchor('partInline', 'span', words),
    gap(words),
    value,
    tongues,
    passage,
    piece,
    remarkMark,
    clearing,
    ...tableNodes,
    keptTable(view),
    keptSource(texts.rich.kept),
    pictureNode(pictures),
    equationNode(pictures),
    figureNode({ ...pictures, caption: texts.rich.picture.caption }),
    recordingNode({ ...pictures, recording: texts.rich.recording }),
    uploading,
  ]
}
