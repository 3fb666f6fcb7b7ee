import { Node } from '@tiptap/core'
import { NodeSelection } from '@tiptap/pm/state'
import type { PictureView } from '../pictureBox'

const MATHML = 'http://www.w3.org/1998/Math/MathML'

/** A formula in a line of text, drawn by the browser: edited by Enter. Its MathML is kept as it came until then. */
export const equationNode = (view: PictureView) =>
  Node.create({
    name: 'equation',
    group: 'inline',
    inline: true,
    atom: true,
    selectable: true,
    draggable: true,
    addAttributes: () => ({ source: { default: '', parseHTML: (element) => element.outerHTML, rendered: false } }),
    parseHTML: () => [{ tag: 'math', priority: 100 }],
    renderHTML: ({ node }) => {
      const holder = document.createElement('template')
      holder.innerHTML = node.attrs.source
      return { dom: holder.content.firstElementChild ?? document.createElement('span') }
    },
    addKeyboardShortcuts() {
      const edit = () => {
        const { selection } = this.editor.state
        if (!(selection instanceof NodeSelection) || selection.node.type.name !== 'equation' || !view.describe) return false
        view.describe(this.editor, selection.from)
        return true
      }
      return { Enter: edit }
    },
    addNodeView:
      () =>
      ({ node, editor, getPos }) => {
        const dom = document.createElement('span')
        dom.className = 'equation-node'
        dom.contentEditable = 'false'
        const draw = (source: string) => {
          // Parsed without being part of a page: nothing in it runs or loads before it is drawn.
          const math = new DOMParser().parseFromString(source, 'text/html').body.firstElementChild
          dom.replaceChildren(math?.namespaceURI === MATHML ? document.importNode(math, true) : '')
        }
        draw(node.attrs.source)
        dom.addEventListener('dblclick', () => {
          const at = getPos()
          if (at !== undefined) view.describe?.(editor, at)
        })
        return {
          dom,
          update: (now) => {
            if (now.type.name !== 'equation') return false
            draw(now.attrs.source)
            return true
          },
          ignoreMutation: () => true,
        }
      },
  })
