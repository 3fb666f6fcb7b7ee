import { Extension, Node } from '@tiptap/core'
import { Plugin } from '@tiptap/pm/state'
import { goToNextCell, tableEditing } from '@tiptap/pm/tables'
import { Decoration, DecorationSet } from '@tiptap/pm/view'

const roles: Record<string, string> = { table: 'table', tableRow: 'row', tableCell: 'cell', tableHeader: 'header_cell' }

/** A table the editor can change: rows of cells with words and answers in them. Any other stands in the text unchanged. */
export function isPlainTable(table: Element): boolean {
  return (
    table.querySelector('thead, tfoot, colgroup, table table, caption *, p, ul, ol, div, h3, h4, h5, pre, blockquote, figure') === null &&
    table.querySelectorAll('caption').length <= 1 &&
    table.querySelector('tr') !== null
  )
}

const whole = (name: string) => ({
  default: 1,
  parseHTML: (element: HTMLElement) => Number(element.getAttribute(name) ?? 1),
  renderHTML: (at: Record<string, unknown>) => (at[name] === 1 ? {} : { [name]: at[name] }),
})

const cell = (name: 'tableCell' | 'tableHeader', tag: 'td' | 'th') =>
  Node.create({
    name,
    content: 'inline*',
    isolating: true,
    addAttributes: () => ({
      colspan: whole('colspan'),
      rowspan: whole('rowspan'),
      colwidth: {
        default: null,
        parseHTML: (element) => element.getAttribute('data-colwidth')?.split(',').map(Number) ?? null,
        renderHTML: (at) => (at.colwidth ? { 'data-colwidth': at.colwidth.join(',') } : {}),
      },
      scope: {
        default: null,
        parseHTML: (element) => element.getAttribute('scope'),
        renderHTML: (at) => (at.scope ? { scope: at.scope } : {}),
      },
    }),
    parseHTML: () => [{ tag }],
    renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes, 0],
  })

const table = Node.create({
  name: 'table',
  group: 'block',
  content: 'tableRow+',
  isolating: true,
  addAttributes: () => ({
    caption: { default: null, parseHTML: (element) => element.querySelector('caption')?.textContent ?? null, rendered: false },
  }),
  parseHTML: () => [
    {
      tag: 'table',
      priority: 110,
      getAttrs: (element) => (isPlainTable(element) ? null : false),
      contentElement: (element) => {
        const rows = document.createElement('tbody')
        for (const row of (element as Element).querySelectorAll('tr')) rows.append(row.cloneNode(true))
        return rows
      },
    },
  ],
  renderHTML: ({ node }) => ['table', ...(node.attrs.caption ? [['caption', node.attrs.caption]] : []), ['tbody', 0]] as never,
  addNodeView:
    () =>
    ({ node }) => {
      const dom = document.createElement('table')
      const contentDOM = document.createElement('tbody')
      const caption = document.createElement('caption')
      caption.contentEditable = 'false'
      const draw = (words: string | null) => {
        caption.textContent = words ?? ''
        if (words) dom.prepend(caption)
        else caption.remove()
      }
      dom.append(contentDOM)
      draw(node.attrs.caption)
      return {
        dom,
        contentDOM,
        update: (now) => {
          if (now.type.name !== 'table') return false
          draw(now.attrs.caption)
          return true
        },
        ignoreMutation: (change) => !contentDOM.contains(change.target),
      }
    },
})

const tableRow = Node.create({
  name: 'tableRow',
  content: '(tableCell | tableHeader)+',
  parseHTML: () => [{ tag: 'tr' }],
  renderHTML: () => ['tr', 0],
})

/** Columns as wide as their cells say; a style of its own never gets into the text. */
const widths = new Plugin({
  props: {
    decorations: ({ doc }) => {
      const wide: Decoration[] = []
      doc.descendants((node, at) => {
        const width = node.attrs.colwidth?.[0]
        if (width) wide.push(Decoration.node(at, at + node.nodeSize, { style: `width: ${width}px` }))
        return !node.isTextblock
      })
      return DecorationSet.create(doc, wide)
    },
  },
})

/** Tab and Enter go to the next cell, Shift Tab to the one before; from the last one they leave the table. */
const editing = Extension.create({
  name: 'tableKeys',
  priority: 200,
  extendNodeSchema: (extension) => (roles[extension.name] ? { tableRole: roles[extension.name] } : {}),
  addKeyboardShortcuts() {
    const go = (by: 1 | -1) => () => goToNextCell(by)(this.editor.state, this.editor.view.dispatch)
    return { Tab: go(1), 'Shift-Tab': go(-1), Enter: go(1) }
  },
  addProseMirrorPlugins: () => [tableEditing(), widths],
})

export const tableNodes = [table, tableRow, cell('tableCell', 'td'), cell('tableHeader', 'th'), editing]
