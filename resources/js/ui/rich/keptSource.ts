import { Node } from '@tiptap/core'

/** Known to this page only, so that nothing that is pasted can pass for a piece of the text that was kept. */
const token = Array.from(crypto.getRandomValues(new Uint8Array(16)), (one) => one.toString(16)).join('')
const TAG = 'kept-source'
const SHOWN = 400

/** A block the editor would not give back as it got it, as one that it leaves alone. */
export function wrapSource(block: Element): Element {
  const wrapper = document.createElement(TAG)
  wrapper.setAttribute('token', token)
  wrapper.setAttribute('source', block.outerHTML)
  return wrapper
}

/** Markup the editor does not know: one quiet block that can be moved, read, deleted, and opened as source. */
export const keptSource = (words: { about: string; source: string }) =>
  Node.create({
    name: 'keptSource',
    group: 'block',
    atom: true,
    selectable: true,
    draggable: true,
    addAttributes: () => ({ source: { default: '', parseHTML: (element) => element.getAttribute('source'), rendered: false } }),
    parseHTML: () => [{ tag: TAG, priority: 120, getAttrs: (element) => (element.getAttribute('token') === token ? null : false) }],
    renderHTML: ({ node }) => {
      const holder = document.createElement('template')
      holder.innerHTML = node.attrs.source
      return { dom: holder.content.firstElementChild ?? document.createElement('p') }
    },
    addNodeView:
      () =>
      ({ node }) => {
        const dom = document.createElement('div')
        dom.className = 'kept-block'
        dom.contentEditable = 'false'
        // Words alone: whatever the markup is, nothing of it is drawn.
        const text = new DOMParser().parseFromString(node.attrs.source, 'text/html').body.textContent ?? ''
        const said = document.createElement('p')
        said.textContent = text.length > SHOWN ? `${text.slice(0, SHOWN)}…` : text
        const details = document.createElement('details')
        const summary = document.createElement('summary')
        summary.textContent = words.source
        const source = document.createElement('pre')
        source.textContent = node.attrs.source
        details.append(summary, source)
        dom.title = words.about
        dom.append(said, details)
        return {
          dom,
          stopEvent: (event: Event) => event.target instanceof HTMLElement && details.contains(event.target),
          ignoreMutation: () => true,
        }
      },
  })
