import type { Editor } from '@tiptap/core'
import {
  addColumnAfter,
  addColumnBefore,
  addRowAfter,
  addRowBefore,
  deleteColumn,
  deleteRow,
  deleteTable,
  mergeCells,
  splitCell,
  toggleHeaderCell,
} from '@tiptap/pm/tables'
import { Table } from 'lucide-react'
import { type ReactNode, useState } from 'react'
import { lazily } from '@/lib/lazily'
import { texts } from '@/messages'
import { Menu } from '../Menu'
import { useToast } from '../Toasts'
import { columnWidth, hasTable, setColumnWidth } from './columns'
import { insertHere } from './insertHere'
import { ToolButton } from './ToolButton'

const NumberDialog = lazily(() => import('./NumberDialog'), 'NumberDialog')
const CaptionDialog = lazily(() => import('./CaptionDialog'), 'CaptionDialog')
const words = texts.rich.table
const commands = {
  rowAfter: addRowAfter,
  rowBefore: addRowBefore,
  columnAfter: addColumnAfter,
  columnBefore: addColumnBefore,
  heads: toggleHeaderCell,
  merge: mergeCells,
  split: splitCell,
  noRow: deleteRow,
  noColumn: deleteColumn,
  none: deleteTable,
}
const cell = (type: 'tableHeader' | 'tableCell') => ({ type })
const row = (type: 'tableHeader' | 'tableCell') => ({ type: 'tableRow', content: [cell(type), cell(type), cell(type)] })
const fresh = { type: 'table', content: [row('tableHeader'), row('tableCell'), row('tableCell')] }

/** Where the first cell behind a place begins. */
function firstCell(editor: Editor, from: number): number {
  let found: number | undefined
  editor.state.doc.nodesBetween(Math.max(0, from - 1), editor.state.doc.content.size, (node, at) => {
    if (found === undefined && node.type.name === 'tableHeader' && at >= from - 1) found = at + 1
    return found === undefined
  })
  return found ?? from
}

/** Tables: a new one, its rows, columns and cells. `children` are what else a place can do with them. */
export function TableTools({ editor, children }: { editor: Editor; children?: ReactNode }) {
  const tell = useToast()
  const [open, setOpen] = useState(false)
  const [asked, ask] = useState<'caption' | 'width' | null>(null)
  const inTable = (what: 'caption' | 'width') => {
    if (hasTable(editor)) ask(what)
    else tell({ text: words.where, look: 'problem' })
  }
  const make = () => {
    const at = insertHere(editor, fresh)
    editor.commands.setTextSelection(firstCell(editor, at))
  }
  const menu = (
    <Menu.Root
      open={open}
      onOpen={setOpen}
      onClosed={() => editor.view.focus()}
      button={<ToolButton name={texts.rich.bar.table} icon={Table} />}
    >
      <Menu.Item onSelect={make}>{words.make}</Menu.Item>
      {children}
      <Menu.Line />
      {(Object.keys(commands) as (keyof typeof commands)[]).map((name) => (
        <Menu.Item
          key={name}
          onSelect={() => {
            if (!commands[name](editor.state, editor.view.dispatch)) tell({ text: words.where, look: 'problem' })
          }}
        >
          {words[name]}
        </Menu.Item>
      ))}
      <Menu.Line />
      <Menu.Item onSelect={() => inTable('caption')}>{words.caption}</Menu.Item>
      <Menu.Item onSelect={() => inTable('width')}>{words.width}</Menu.Item>
    </Menu.Root>
  )
  return (
    <>
      {menu}
      {asked === 'width' ? (
        <NumberDialog
          title={words.widthTitle}
          about={words.widthAbout}
          value={columnWidth(editor)}
          least={20}
          most={2000}
          onSave={(width) => setColumnWidth(editor, width)}
          onClose={() => ask(null)}
        />
      ) : null}
      {asked === 'caption' ? <CaptionDialog editor={editor} onClose={() => ask(null)} /> : null}
    </>
  )
}
