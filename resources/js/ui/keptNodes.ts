import { Node } from '@tiptap/core'

/** What the editor cannot change (formulas, sound, tables of another shape) stands in the text as one piece, unchanged. */
const inlineKept = ['math', 'audio[data-media]', 'video[data-media]']
const blockKept = ['table']

/** How a kept piece is shown in the editor. */
export type KeptView = { table: string }

const kept = (name: string, selectors: string[], inline: boolean, view: KeptView) =>
  Node.create({
    name,
    group: inline ? 'inline' : 'block',
    inline,
    atom: true,
    selectable: true,
    draggable: true,
    addAttributes: () => ({ source: { default: '', parseHTML: (element) => element.outerHTML, rendered: false } }),
    parseHTML: () => selectors.map((tag) => ({ tag, priority: 100 })),
    renderHTML: ({ node }) => {
      const holder = document.createElement('template')
      holder.innerHTML = node.attrs.source
      return { dom: holder.content.firstElementChild ?? document.createElement('span') }
    },
    addNodeView:
      () =>
      ({ node }) => {
        const dom = document.createElement(inline ? 'span' : 'div')
        dom.className = inline ? 'kept-inline' : 'kept-block'
        dom.contentEditable = 'false'
        // Parsed without being part of a page: nothing in it runs or loads before it is drawn below.
        const source = new DOMParser().parseFromString(node.attrs.source, 'text/html').body.firstElementChild
        if (source) dom.append(drawn(source, view))
        return { dom }
      },
  })

function drawn(source: Element, view: KeptView): globalThis.Node {
  if (source.namespaceURI === 'http://www.w3.org/1998/Math/MathML') return document.importNode(source, true)
  const words = document.createElement('span')
  words.textContent =
    source.localName === 'table'
      ? `${view.table}: ${source.textContent?.trim().replace(/\s+/g, ' ').slice(0, 80)}`
      : (source.textContent ?? source.localName)
  return words
}

export const keptNodes = (view: KeptView) => [kept('keptInline', inlineKept, true, view), kept('keptBlock', blockKept, false, view)]
