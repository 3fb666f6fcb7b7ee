import type { Editor } from '@tiptap/core'
import { addColumnAfter, addRowAfter, deleteColumn, deleteRow, deleteTable } from '@tiptap/pm/tables'
import { useState } from 'react'
import type { Part, QuestionJson } from '@/api/question'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Menu } from '@/ui/Menu'
import { useToast } from '@/ui/Toasts'
import { AnswerTable } from './AnswerTable'

type Props = { editor: Editor; question: QuestionJson; change: (edit: (now: QuestionJson) => QuestionJson) => void }

const commands = { row: addRowAfter, column: addColumnAfter, noRow: deleteRow, noColumn: deleteColumn, none: deleteTable }

/** A table whose cells hold answers, and its rows and columns. */
export function TableMenu({ editor, question, change }: Props) {
  const tell = useToast()
  const [open, setOpen] = useState(false)
  const [making, setMaking] = useState(false)
  const put = (html: string, parts: Part[]) => {
    setMaking(false)
    change((now) => ({ ...now, parts: [...now.parts, ...parts] }))
    editor.chain().focus().insertContent(html).run()
  }
  return (
    <>
      <Menu.Root
        open={open}
        onOpen={setOpen}
        button={
          <Button look="quiet" className="!px-2">
            {texts.desk.table}
          </Button>
        }
      >
        <Menu.Item onSelect={() => setMaking(true)}>{texts.table.make}</Menu.Item>
        <Menu.Line />
        {(Object.keys(commands) as (keyof typeof commands)[]).map((name) => (
          <Menu.Item
            key={name}
            onSelect={() => {
              if (!commands[name](editor.state, editor.view.dispatch)) tell({ text: texts.table.where, look: 'problem' })
            }}
          >
            {texts.table.commands[name]}
          </Menu.Item>
        ))}
      </Menu.Root>
      {making ? <AnswerTable taken={question.parts.map((part) => part.id)} onClose={() => setMaking(false)} onMade={put} /> : null}
    </>
  )
}
