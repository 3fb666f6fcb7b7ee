import type { Editor } from '@tiptap/core'
import { EditorContent, useEditor } from '@tiptap/react'
import { useEffect, useLayoutEffect, useRef } from 'react'
import { Echoes } from '@/lib/echoes'
import { type BarWords, EditorBar } from './EditorBar'
import { type AnchorWords, extensions, nameAnchors } from './editorExtensions'
import type { KeptView } from './keptNodes'
import { plainTables } from './pastedTables'

type Props = {
  value: string
  onChange: (html: string) => void
  label: string
  words: AnchorWords
  view?: KeptView
  /** Names of the buttons; without them there is no bar. */
  bar?: BarWords
  /** More at the end of the bar. */
  more?: (editor: Editor) => React.ReactNode
  onEnter?: () => void
  onKey?: (event: KeyboardEvent) => boolean
  /** A slash typed where a block is empty: what can be put in there. */
  onSlash?: () => void
  /** Several lines pasted at once; true when they were taken. */
  onPasteLines?: (text: string) => boolean
  autoFocus?: boolean
  /** Writing begins at the start of the text, with these words. */
  begin?: () => string
  /** Where the pointer was when it was gone into. */
  focusAt?: { left: number; top: number } | null
  placeholder?: string
  className?: string
}

/** A known rich text editor with our anchors and values. */
export function RichEditor({
  value: html,
  onChange,
  label,
  words,
  view,
  bar,
  more,
  autoFocus,
  begin: startsWith,
  focusAt,
  placeholder,
  className = '',
  ...calls
}: Props) {
  const latest = useRef({ onChange, words, ...calls })
  latest.current = { onChange, words, ...calls }
  const echoes = useRef(new Echoes(html))
  const editor = useEditor({
    extensions: extensions(
      {
        part: (id) => latest.current.words.part(id),
        gap: (gap, of) => latest.current.words.gap?.(gap, of) ?? gap,
      },
      view,
    ),
    content: html,
    editorProps: {
      attributes: {
        'aria-label': label,
        role: 'textbox',
        'aria-multiline': calls.onEnter ? 'false' : 'true',
        class: className,
        ...(placeholder ? { 'data-placeholder': placeholder } : {}),
      },
      handleKeyDown: (view, event) => {
        const { $from, empty } = view.state.selection
        if (event.key === '/' && latest.current.onSlash && empty && $from.parent.isTextblock && $from.parent.content.size === 0) {
          latest.current.onSlash()
          return true
        }
        if (event.key === 'Enter' && !event.shiftKey && !event.ctrlKey && !event.altKey && latest.current.onEnter) {
          latest.current.onEnter()
          return true
        }
        return latest.current.onKey?.(event) ?? false
      },
      transformPastedHTML: plainTables,
      handlePaste: (_, event) => {
        const text = event.clipboardData?.getData('text/plain') ?? ''
        return /\S[^\S\n]*\r?\n\s*\S/.test(text) && (latest.current.onPasteLines?.(text) ?? false)
      },
    },
    onUpdate: ({ editor: changed }) => {
      const html = changed.isEmpty ? '' : changed.getHTML()
      echoes.current.say(html)
      latest.current.onChange(html)
    },
  })
  // Before the next key can be pressed: the editor's own way waits for a frame, and what is typed meanwhile would be lost.
  const begin = useRef(autoFocus)
  useLayoutEffect(() => {
    if (!begin.current || !editor || !isMounted(editor)) return
    begin.current = false
    const at = focusAt ? editor.view.posAtCoords(focusAt)?.pos : startsWith ? 1 : undefined
    editor.commands.setTextSelection(at ?? editor.state.doc.content.size)
    editor.view.focus()
    const words = startsWith?.()
    if (words) editor.commands.insertContent({ type: 'text', text: words })
  }, [editor, focusAt, startsWith])
  useEffect(() => {
    if (editor && isMounted(editor) && echoes.current.takes(html)) editor.commands.setContent(html, { emitUpdate: false })
  }, [editor, html])
  useEffect(() => {
    if (editor && isMounted(editor)) editor.view.dom.setAttribute('aria-label', label)
  }, [editor, label])
  useEffect(() => {
    if (editor && isMounted(editor)) nameAnchors(editor.view.dom, words)
  })
  if (!editor) return null
  return (
    <div>
      {bar ? <EditorBar editor={editor} words={bar} more={more?.(editor)} /> : null}
      <EditorContent editor={editor} className={`question-text ${html === '' ? 'is-empty' : ''}`} />
    </div>
  )
}

function isMounted(editor: Editor): boolean {
  try {
    return editor.view.dom.isConnected
  } catch {
    return false // between two places in the page an editor has no view
  }
}
