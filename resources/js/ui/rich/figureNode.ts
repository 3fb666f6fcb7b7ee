import { Node } from '@tiptap/core'
import type { Node as PmNode } from '@tiptap/pm/model'
import { NodeSelection, TextSelection } from '@tiptap/pm/state'
import { type PictureView, pictureBox, pictureKeys } from './pictureBox'
import { pictureAttributes, pictureHtml } from './pictureNode'

const CAPTION = 'figcaption'
const isPicture = (element: Element) => element.children[0]?.matches('img[data-media]') && element.children.length <= 2

/** Attributes of the figure's picture, read from within. */
const inside = Object.fromEntries(
  Object.entries(pictureAttributes).map(([name, attribute]) => [
    name,
    { ...attribute, parseHTML: (element: HTMLElement) => attribute.parseHTML(element.querySelector('img') ?? element) },
  ]),
)

/** A picture on lines of its own, with a caption that is written below it. */
export const figureNode = (view: PictureView & { caption: string }) =>
  Node.create({
    name: 'figure',
    group: 'block',
    content: 'inline*',
    isolating: true,
    defining: true,
    selectable: true,
    draggable: true,
    addAttributes: () => ({
      align: { default: null, parseHTML: (element) => element.getAttribute('data-align') },
      ...inside,
    }),
    parseHTML: () => [
      {
        tag: 'figure',
        priority: 100,
        getAttrs: (element) => (isPicture(element) ? null : false),
        contentElement: (element) => (element as Element).querySelector<HTMLElement>(CAPTION) ?? document.createElement(CAPTION),
      },
    ],
    renderHTML: ({ node }) => {
      const attributes = node.attrs.align ? { 'data-align': node.attrs.align } : {}
      const picture = pictureHtml(node)
      return (node.content.size === 0 ? ['figure', attributes, picture] : ['figure', attributes, picture, [CAPTION, 0]]) as never
    },
    addKeyboardShortcuts() {
      const caption = () => {
        const { $from, $to } = this.editor.state.selection
        return $from.parent.type.name === 'figure' && $from.sameParent($to) ? $from : null
      }
      const keys = pictureKeys(this.editor, 'figure', view)
      // Out of the caption, to a line below the figure.
      const leave = () => {
        const at = caption()
        if (!at) return keys.Enter()
        const after = at.after()
        const tr = this.editor.state.tr.insert(after, this.editor.schema.nodes.paragraph?.create() ?? [])
        this.editor.view.dispatch(tr.setSelection(TextSelection.create(tr.doc, after + 1)).scrollIntoView())
        return true
      }
      // From the caption to its picture.
      const select = () => {
        const at = caption()
        if (!at) return false
        this.editor.view.dispatch(this.editor.state.tr.setSelection(NodeSelection.create(this.editor.state.doc, at.before())))
        return true
      }
      return { ...keys, Enter: leave, Escape: select }
    },
    addNodeView:
      () =>
      ({ node, editor, getPos }) => {
        const dom = document.createElement('figure')
        const contentDOM = document.createElement(CAPTION)
        const box = pictureBox(view, editor, getPos)
        dom.append(box.dom, contentDOM)
        contentDOM.dataset.words = view.caption
        const draw = (now: PmNode) => {
          // one by one: the editor has a class of its own here, for what is selected
          for (const place of ['left', 'center', 'right']) dom.classList.toggle(`align-${place}`, now.attrs.align === place)
          contentDOM.dataset.empty = String(now.content.size === 0)
          box.draw(now)
        }
        draw(node)
        box.img.addEventListener('click', () => {
          const at = getPos()
          if (at !== undefined) editor.view.dispatch(editor.state.tr.setSelection(NodeSelection.create(editor.state.doc, at)))
        })
        return {
          dom,
          contentDOM,
          update: (now: PmNode) => {
            if (now.type.name !== 'figure') return false
            draw(now)
            return true
          },
          stopEvent: (event: Event) => event.target === box.handle,
          ignoreMutation: (change) => !contentDOM.contains(change.target),
        }
      },
  })
