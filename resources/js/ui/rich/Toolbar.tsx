import type { Editor } from '@tiptap/core'
import { useEditorState } from '@tiptap/react'
import {
  AudioLines,
  Bold,
  Code,
  Image,
  Italic,
  Link2,
  List,
  ListOrdered,
  type LucideIcon,
  Sigma,
  Strikethrough,
  Subscript,
  Superscript,
  Underline,
} from 'lucide-react'
import { type ReactNode, useCallback, useContext, useState } from 'react'
import { lazily } from '@/lib/lazily'
import { texts } from '@/messages'
import { type Placed, useMediaDesk } from '../media'
import { BarExtra } from './barExtra'
import { formatKeys } from './keys'
import { MoreMenu } from './MoreMenu'
import { insertPlaced } from './placed'
import { StyleMenu } from './StyleMenu'
import { SymbolMenu } from './SymbolMenu'
import { TableTools } from './TableTools'
import { ToolButton, Tools } from './ToolButton'

const LinkDialog = lazily(() => import('./LinkDialog'), 'LinkDialog')
const EquationDialog = lazily(() => import('./equation/EquationDialog'), 'EquationDialog')
const words = texts.rich.bar
export type RichAction = 'link' | 'picture' | 'recording' | 'equation' | 'symbols'
type Props = {
  editor: Editor
  /** In full above a long text; only what a few words need above an option or feedback. */
  size: 'full' | 'small'
  asked: RichAction | null
  onAsk: (asked: RichAction | null) => void
  /** What else a place offers. */
  more?: ReactNode
  /** More things to do with tables. */
  tables?: ReactNode
}
type Toggle = { name: keyof typeof formatKeys; icon: LucideIcon; is: string; run: (editor: Editor) => void }

const chain = (editor: Editor) => editor.chain().focus()
const marks: Toggle[] = [
  { name: 'bold', icon: Bold, is: 'bold', run: (editor) => chain(editor).toggleBold().run() },
  { name: 'italic', icon: Italic, is: 'italic', run: (editor) => chain(editor).toggleItalic().run() },
  { name: 'underline', icon: Underline, is: 'underline', run: (editor) => chain(editor).toggleUnderline().run() },
  { name: 'strike', icon: Strikethrough, is: 'strike', run: (editor) => chain(editor).toggleStrike().run() },
  { name: 'sub', icon: Subscript, is: 'sub', run: (editor) => chain(editor).toggleMark('sub').run() },
  { name: 'sup', icon: Superscript, is: 'sup', run: (editor) => chain(editor).toggleMark('sup').run() },
  { name: 'code', icon: Code, is: 'code', run: (editor) => chain(editor).toggleMark('code').run() },
]
const lists: Toggle[] = [
  { name: 'list', icon: List, is: 'bulletList', run: (editor) => chain(editor).toggleBulletList().run() },
  { name: 'numbers', icon: ListOrdered, is: 'orderedList', run: (editor) => chain(editor).toggleOrderedList().run() },
]
const few = ['bold', 'italic', 'sub', 'sup']

/** Formatting, what can be put in, and whatever else a place offers: the same everywhere, shorter where there is little room. */
export function Toolbar({ editor, size, asked, onAsk, more, tables }: Props) {
  const desk = useMediaDesk()
  const full = size === 'full'
  const extra = useContext(BarExtra)
  // The text is gone into first, so that it has the focus again when what is asked for is closed.
  const ask = (what: RichAction) => {
    editor.view.focus()
    onAsk(what)
  }
  const openSymbols = useCallback((open: boolean) => onAsk(open ? 'symbols' : null), [onAsk])
  const shown = full ? [...marks, ...lists] : marks.filter((one) => few.includes(one.name))
  const on = useEditorState({
    editor,
    selector: ({ editor: now }) => Object.fromEntries([...marks, ...lists].map(({ name, is }) => [name, now.isActive(is)])),
  })
  return (
    <Tools
      first={words.bold}
      label={words.label}
      className={
        full
          ? 'sticky -top-4 z-10 -mx-1 mb-2 flex flex-wrap items-center gap-0.5 border-hairline border-b bg-paper px-1 py-1'
          : 'flex items-center gap-0.5 rounded-ui border border-hairline bg-paper p-0.5 shadow-float'
      }
    >
      {full ? <StyleMenu editor={editor} /> : null}
      {shown.map(({ name, icon, run }) => (
        <ToolButton
          key={name}
          name={words[name]}
          keys={formatKeys[name]}
          icon={icon}
          pressed={on[name] === true}
          onClick={() => run(editor)}
        />
      ))}
      {full ? <Border /> : null}
      <ToolButton name={words.link} keys={formatKeys.link} icon={Link2} onClick={() => ask('link')} />
      {desk ? <ToolButton name={words.picture} keys={formatKeys.picture} icon={Image} onClick={() => ask('picture')} /> : null}
      {desk && full ? (
        <ToolButton name={words.recording} keys={formatKeys.recording} icon={AudioLines} onClick={() => ask('recording')} />
      ) : null}
      <ToolButton name={words.equation} keys={formatKeys.equation} icon={Sigma} onClick={() => ask('equation')} />
      <SymbolMenu editor={editor} open={asked === 'symbols'} onOpen={openSymbols} />
      {full ? <TableTools editor={editor}>{tables}</TableTools> : null}
      {full ? <MoreMenu editor={editor} /> : null}
      {more}
      {full ? null : extra?.(editor)}
      {asked === 'link' ? <LinkDialog editor={editor} onClose={() => onAsk(null)} /> : null}
      {(asked === 'picture' || asked === 'recording') && desk ? (
        <AskMedium key={asked} editor={editor} onDone={() => onAsk(null)} choose={() => desk.choose(asked)} />
      ) : null}
      {asked === 'equation' ? <EquationDialog editor={editor} onClose={() => onAsk(null)} /> : null}
    </Tools>
  )
}

/** Asks once, when it is drawn. */
function AskMedium({ editor, choose, onDone }: { editor: Editor; choose: () => Promise<Placed | null>; onDone: () => void }) {
  useState(() => {
    choose().then((placed) => {
      onDone()
      if (editor.isDestroyed) return
      if (placed) insertPlaced(editor, [placed])
      else editor.commands.focus()
    })
    return null
  })
  return null
}

export const Border = () => <span className="mx-1 h-4 w-px bg-hairline" />
