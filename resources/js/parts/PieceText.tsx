import type { Editor } from '@tiptap/core'
import { everyWord } from '@/api/actions'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { SafeEditor } from '@/ui/SafeEditor'
import { useToast } from '@/ui/Toasts'
import { freshId } from './fresh'
import { piecesOf } from './pieces'

type Props = {
  value: string
  label: string
  placeholder: string
  media: (id: string) => string
  /** What selected words become. */
  make: string
  prefix: string
  wrong: string | undefined
  onChange: (html: string) => void
  /** A piece was made of a selection; the text as it is now, which has not been told yet. */
  onMade?: (id: string, html: string) => void
}
const words = { part: (id: string) => id }

/** A text of its own whose words can be made pieces: those selected, or every word. */
export function PieceText({ value, label, placeholder, media, make, prefix, wrong, onChange, onMade }: Props) {
  const tell = useToast()
  const mark = (editor: Editor) => {
    const { from, to, empty } = editor.state.selection
    if (empty) return tell({ text: texts.parts.selectPiece, look: 'problem' })
    const selected = editor.state.doc.textBetween(from, to, ' ')
    const start = from + (selected.length - selected.trimStart().length)
    const id = freshId(piecesOf(editor.getHTML()), prefix)
    editor
      .chain()
      .focus()
      .setTextSelection({ from: start, to: start + selected.trim().length })
      .setMark('piece', { id })
      .setTextSelection(start + selected.trim().length)
      .run()
    onMade?.(id, editor.getHTML())
  }
  const free = (editor: Editor) => editor.chain().focus().extendMarkRange('piece').unsetMark('piece').run()
  const split = (editor: Editor) =>
    everyWord(editor.getHTML()).then((html) => {
      editor.commands.setContent(html, { emitUpdate: true })
    })
  return (
    <div className="px-3 py-2">
      <SafeEditor
        value={value}
        label={label}
        words={words}
        view={{ media, table: texts.desk.table }}
        placeholder={placeholder}
        keptNote={texts.desk.keptText}
        bar="full"
        more={(editor) => (
          <>
            <span className="mx-1 h-4 w-px bg-hairline" />
            <Button look="quiet" className="!px-2" title="Alt Shift G" onClick={() => mark(editor)}>
              {make}
            </Button>
            <Button look="quiet" className="!px-2" onClick={() => free(editor)}>
              {texts.parts.freePiece}
            </Button>
            <Button look="quiet" className="!px-2" onClick={() => split(editor)}>
              {texts.parts.everyWord}
            </Button>
          </>
        )}
        onChange={onChange}
        className="min-h-14"
      />
      {wrong ? <p className="text-caption text-problem">{wrong}</p> : null}
    </div>
  )
}
