import { Node } from '@tiptap/core'

/** How a kept piece is shown in the editor. */
export type KeptView = { table: string }

/** A table of a shape the editor cannot change stands in the text as one piece, unchanged. */
export const keptTable = (view: KeptView) =>
  Node.create({
    name: 'keptBlock',
    group: 'block',
    atom: true,
    selectable: true,
    draggable: true,
    addAttributes: () => ({ source: { default: '', parseHTML: (element) => element.outerHTML, rendered: false } }),
    parseHTML: () => [{ tag: 'table', priority: 100 }],
    renderHTML: ({ node }) => {
      const holder = document.createElement('template')
      holder.innerHTML = node.attrs.source
      return { dom: holder.content.firstElementChild ?? document.createElement('span') }
    },
    addNodeView:
      () =>
      ({ node }) => {
        const dom = document.createElement('div')
        const words = document.createElement('span')
        dom.className = 'kept-block'
        dom.contentEditable = 'false'
        // Words alone: whatever the markup is, nothing of it is drawn.
        const text = new DOMParser().parseFromString(node.attrs.source, 'text/html').body.textContent ?? ''
        words.textContent = `${view.table}: ${text.trim().replace(/\s+/g, ' ').slice(0, 80)}`
        dom.append(words)
        return { dom }
      },
  })
