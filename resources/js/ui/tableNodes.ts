import { Extension, Node } from '@tiptap/core'
import { goToNextCell, tableEditing } from '@tiptap/pm/tables'

const roles: Record<string, string> = { table: 'table', tableRow: 'row', tableCell: 'cell', tableHeader: 'header_cell' }

/** A table the editor can change: rows of cells with words and answers in them. Any other stands in the text unchanged. */
export function isPlainTable(table: Element): boolean {
  return (
    table.querySelector('caption, thead, tfoot, colgroup, table table, p, ul, ol, div, h3, h4, h5, pre, blockquote') === null &&
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
      colwidth: { default: null, rendered: false },
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
  parseHTML: () => [{ tag: 'table', priority: 110, getAttrs: (element) => (isPlainTable(element) ? null : false) }],
  renderHTML: () => ['table', ['tbody', 0]],
})

const tableRow = Node.create({
  name: 'tableRow',
  content: '(tableCell | tableHeader)+',
  parseHTML: () => [{ tag: 'tr' }],
  renderHTML: () => ['tr', 0],
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
  addProseMirrorPlugins: () => [tableEditing()],
})

export const tableNodes = [table, tableRow, cell('tableCell', 'td'), cell('tableHeader', 'th'), editing]
