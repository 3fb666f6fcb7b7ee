import type { Editor } from '@tiptap/core'
import type { QuestionJson } from '@/api/question'
import type { Defaults } from '@/lib/defaults'
import { texts } from '@/messages'
import { kindNames } from '@/parts/words'
import { Button } from '@/ui/Button'
import { Menu } from '@/ui/Menu'
import { useToast } from '@/ui/Toasts'
import { gapKinds, makeGap } from './makeGap'

type Props = {
  editor: Editor
  now: () => QuestionJson
  defaults: Defaults
  change: (edit: (now: QuestionJson) => QuestionJson) => void
  open: boolean
  onOpen: (open: boolean) => void
}

/** Makes what is selected in the text an answer: typed, a number, a drop-down or a gap for a tile. */
export function GapMenu({ editor, now, defaults, change, open, onOpen }: Props) {
  const tell = useToast()
  const make = (kind: string) => {
    const at = selectedWords(editor)
    if (!at) return tell({ text: texts.desk.selectFirst, look: 'problem' })
    const made = makeGap(now(), kind, at.words, defaults)
    change(({ body }) => ({ ...made.question, body }))
    const chain = editor.chain().focus().insertContentAt({ from: at.from, to: at.to }, made.node)
    if (made.block === null) chain.run()
    else {
      chain.run()
      editor
        .chain()
        .insertContentAt(editor.state.doc.content.size, { type: 'partBlock', attrs: { id: made.block } })
        .run()
    }
  }
  return (
    <Menu.Root
      open={open}
      onOpen={onOpen}
      onClosed={() => editor.commands.focus()}
      button={
        <Button look="quiet" className="!px-2" title={texts.desk.makeGapHint}>
          {texts.desk.makeGap}
        </Button>
      }
    >
      {gapKinds().map((kind) => (
        <Menu.Item key={kind} onSelect={() => make(kind)}>
          {texts.desk.gapKinds[kind] ?? kindNames[kind]}
        </Menu.Item>
      ))}
    </Menu.Root>
  )
}

/** What is selected without the spaces around it; the word at the cursor where nothing is. */
function selectedWords(editor: Editor): { from: number; to: number; words: string } | null {
  const { doc, selection } = editor.state
  if (!selection.empty) {
    const text = doc.textBetween(selection.from, selection.to, '\n', '\ufffc')
    const words = text.trim()
    if (words === '' || /[\n\ufffc]/.test(words)) return null
    const from = selection.from + text.indexOf(words)
    return { from, to: from + words.length, words }
  }
  const { $from } = selection
  const before = /[\p{L}\p{N}'’-]*$/u.exec($from.parent.textBetween(0, $from.parentOffset, undefined, '\ufffc'))?.[0] ?? ''
  const after =
    /^[\p{L}\p{N}'’-]*/u.exec($from.parent.textBetween($from.parentOffset, $from.parent.content.size, undefined, '\ufffc'))?.[0] ?? ''
  return before + after === '' ? null : { from: selection.from - before.length, to: selection.from + after.length, words: before + after }
}
