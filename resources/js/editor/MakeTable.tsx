import type { Editor } from '@tiptap/core'
import type { Part, QuestionJson } from '@/api/question'
import { AnswerTable } from './AnswerTable'

type Props = { editor: Editor; now: () => QuestionJson; change: (edit: (now: QuestionJson) => QuestionJson) => void; onClose: () => void }

/** A table whose cells hold answers, put into the text with its parts. */
export function MakeTable({ editor, now, change, onClose }: Props) {
  const put = (html: string, parts: Part[]) => {
    onClose()
    change((now) => ({ ...now, parts: [...now.parts, ...parts] }))
    editor.chain().focus().insertContent(html).run()
  }
  return <AnswerTable taken={now().parts.map((part) => part.id)} onClose={onClose} onMade={put} />
}
