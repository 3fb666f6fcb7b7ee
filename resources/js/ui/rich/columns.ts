import type { Editor } from '@tiptap/core'
import { findTable, selectedRect, TableMap } from '@tiptap/pm/tables'

/** The table around the cursor, with where it stands. */
export const tableAround = (editor: Editor) => findTable(editor.state.selection.$from)

/** How wide the column with the cursor is; null for as wide as its words. */
export function columnWidth(editor: Editor): number | null {
  const { map, left, table } = selectedRect(editor.state)
  return table.nodeAt(map.map[left] ?? 0)?.attrs.colwidth?.[0] ?? null
}

/** Sets the width of the columns that are selected, in every row; null for as wide as their words. */
export function setColumnWidth(editor: Editor, width: number | null) {
  const { map, left, right, table, tableStart } = selectedRect(editor.state)
  const { tr } = editor.state
  for (const at of new Set(map.map)) {
    const { left: from, right: to } = map.findCell(at)
    const cell = table.nodeAt(at)
    if (cell && to - from === 1 && from >= left && to <= right)
      tr.setNodeMarkup(tableStart + at, undefined, { ...cell.attrs, colwidth: width === null ? null : [width] })
  }
  editor.view.dispatch(tr)
}

export const hasTable = (editor: Editor): boolean => {
  const found = tableAround(editor)
  return found !== null && found !== undefined && TableMap.get(found.node).width > 0
}
