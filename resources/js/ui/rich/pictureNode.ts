import { Node } from '@tiptap/core'
import type { Node as PmNode } from '@tiptap/pm/model'
import { type PictureView, pictureBox, pictureKeys } from './pictureBox'

const whole = (name: 'width' | 'height') => ({
  default: null,
  parseHTML: (element: HTMLElement) => (element.hasAttribute(name) ? Number(element.getAttribute(name)) : null),
})

/** What a picture is, wherever it stands; read from its own element. */
export const pictureAttributes = {
  id: { default: null, parseHTML: (element: HTMLElement) => element.getAttribute('data-media') },
  alt: { default: null, parseHTML: (element: HTMLElement) => element.getAttribute('alt') },
  view: { default: null, parseHTML: (element: HTMLElement) => element.getAttribute('data-view') },
  width: whole('width'),
  height: whole('height'),
}

/** The element again, attributes in the order in which they are kept. */
export const pictureHtml = ({ attrs: { id, alt, view, width, height } }: PmNode) => [
  'img',
  {
    ...(alt === null ? {} : { alt }),
    'data-media': id,
    ...(view ? { 'data-view': view } : {}),
    ...(height ? { height } : {}),
    ...(width ? { width } : {}),
  },
]

/** A picture of the library in a line of text: chosen by a click or the arrow keys, described by Enter, made wider by + and −. */
export const pictureNode = (view: PictureView) =>
  Node.create({
    name: 'picture',
    group: 'inline',
    inline: true,
    atom: true,
    selectable: true,
    draggable: true,
    addAttributes: () => pictureAttributes,
    parseHTML: () => [{ tag: 'img[data-media]', priority: 100 }],
    renderHTML: ({ node }) => pictureHtml(node) as never,
    addKeyboardShortcuts() {
      return pictureKeys(this.editor, 'picture', view)
    },
    addNodeView:
      () =>
      ({ node, editor, getPos }) => {
        const { dom, handle, draw } = pictureBox(view, editor, getPos)
        draw(node)
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
      },
  })
