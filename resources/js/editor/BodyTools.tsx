import type { Editor } from '@tiptap/core'
import { memo } from 'react'
import type { QuestionJson } from '@/api/question'
import { type Defaults, partWith } from '@/lib/defaults'
import { texts } from '@/messages'
import { parts as kinds, partView } from '@/parts'
import { kindStarts } from '@/parts/words'
import { Button } from '@/ui/Button'
import { Menu } from '@/ui/Menu'
import { freshPart } from './fresh'
import { GapMenu } from './GapMenu'
import { MakeTable } from './MakeTable'
import { ValueMenu } from './values/ValueMenu'

export type BodyMenu = 'part' | 'gap' | 'table' | null
type Props = {
  editor: Editor
  defaults: Defaults
  /** The names of the values. */
  names: string[]
  /** Which menu is open, as the text can open some by keys. */
  open: BodyMenu
  onOpen: (menu: BodyMenu) => void
  now: () => QuestionJson
  change: (edit: (now: QuestionJson) => QuestionJson, place?: string) => void
  /** Opens the pane of the values. */
  onValues: () => void
}

/** What the bar above the text of a question offers beside formatting: parts, gaps, tables of answers, values. */
export const BodyTools = memo(function BodyTools({ editor, defaults, names, open, onOpen, now, change, onValues }: Props) {
  const add = (kind: string) => {
    const taken = now().parts.map((part) => part.id)
    const fresh = freshPart(kind, taken)
    if (!fresh) return
    const part = partWith(fresh, defaults)
    change((question) => ({ ...question, parts: [...question.parts, part] }))
    if (partView(kind)?.inline)
      editor
        .chain()
        .focus()
        .insertContent({ type: 'partInline', attrs: { id: part.id } })
        .run()
    else
      editor
        .chain()
        .insertContentAt(editor.state.doc.content.size, { type: 'partBlock', attrs: { id: part.id } })
        .run()
  }
  return (
    <>
      <span className="mx-1 h-4 w-px bg-hairline" />
      <Menu.Root
        open={open === 'part'}
        onOpen={(isOpen) => onOpen(isOpen ? 'part' : null)}
        onClosed={() => editor.commands.focus()}
        button={
          <Button look="quiet" className="!px-2">
            {texts.desk.addPart}
          </Button>
        }
      >
        {kinds.map((kind) => (
          <Menu.Item key={kind.kind} onSelect={() => add(kind.kind)}>
            {kindStarts[kind.kind]}
          </Menu.Item>
        ))}
      </Menu.Root>
      {open === 'table' ? <MakeTable editor={editor} now={now} change={change} onClose={() => onOpen(null)} /> : null}
      <GapMenu
        editor={editor}
        now={now}
        defaults={defaults}
        change={change}
        open={open === 'gap'}
        onOpen={(isOpen) => onOpen(isOpen ? 'gap' : null)}
      />
      <span className="text-caption text-quiet max-2xl:hidden">{texts.desk.addPartHint}</span>
      <ValueMenu editor={editor} now={now} names={names} change={change} onValues={onValues} />
    </>
  )
})
