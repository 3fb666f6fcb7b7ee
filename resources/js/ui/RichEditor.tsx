import type { Editor, EditorOptions } from '@tiptap/core'
import { NodeSelection } from '@tiptap/pm/state'
import { EditorContent, useEditor } from '@tiptap/react'
import { useContext, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { Echoes } from '@/lib/echoes'
import { list } from '@/lib/format'
import { later } from '@/lib/lazily'
import { useSteady } from '@/lib/useSteady'
import { texts } from '@/messages'
import { type AnchorWords, extensions, nameAnchors } from './editorExtensions'
import { type MediaDesk, MediaDeskContext } from './media'
import type { LeftOut } from './rich/paste/pasted'
import { plainTables } from './rich/paste/tables'
import { changePlaced, placedOf } from './rich/placed'
import { STEP } from './rich/step'
import { type RichAction, Toolbar } from './rich/Toolbar'
import { pasteWithPictures, uploadHere } from './rich/uploading'
import { useToast } from './Toasts'

type Props = {
  value: string
  /** isStep: to be undone by itself, not with what was typed around it. */
  onChange: (html: string, isStep: boolean) => void
  label: string
  words: AnchorWords
  view?: { media: (id: string) => string; table: string }
  /** Always there and in full, or small and with the cursor. */
  bar?: 'full' | 'small'
  /** More at the end of the bar, and in its menu of tables. */
  more?: (editor: Editor) => React.ReactNode
  tables?: (editor: Editor) => React.ReactNode
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

const pasteReader = later(() => import('./rich/paste/pasted'))

/** A known rich text editor with our anchors and values. */
export function RichEditor({
  value: html,
  onChange,
  label,
  words,
  view,
  bar = 'small',
  more,
  tables,
  autoFocus,
  begin: startsWith,
  focusAt,
  placeholder,
  className = '',
  ...calls
}: Props) {
  const desk = useContext(MediaDeskContext)
  const [asked, ask] = useState<RichAction | null>(null)
  const [isIn, setIn] = useState(false)
  const tell = useToast()
  const latest = useRef({ onChange, words, desk, tell, ...calls })
  latest.current = { onChange, words, desk, tell, ...calls }
  const echoes = useRef(new Echoes(html))
  const editorRef = useRef<Editor | null>(null)
  const pasting = useRef(false)
  /** HTML from elsewhere, and one line that says what of it was left out. */
  const pasteFrom = async (html: string, event: ClipboardEvent) => {
    const { isComplete, readPasted } = await pasteReader()
    const [on, { desk, tell }] = [editorRef.current, latest.current]
    const pasted = readPasted(html)
    if (!on || on.isDestroyed) return
    if (!pasted) return tell({ text: texts.rich.paste.long, look: 'problem' })
    const before = on.state.doc
    const leftOut = { ...pasted.leftOut, homeless: desk ? 0 : pasted.pictures.length }
    if (pasted.pictures.length > 0 && desk) pasteWithPictures(on, desk, pasted, texts.rich.picture.uploading({ n: pasted.pictures.length }))
    else {
      pasting.current = true // it asks the handler below once more
      on.view.pasteHTML(pasted.body.innerHTML, event)
      pasting.current = false
    }
    const after = on.state.doc
    if (isComplete(leftOut)) return
    const undo = () => {
      if (on.isDestroyed || !on.state.doc.eq(after)) return tell({ text: texts.rich.paste.changed })
      on.view.dispatch(on.state.tr.setMeta(STEP, true).replaceWith(0, on.state.doc.content.size, before.content))
    }
    tell({ text: leftOutWords(leftOut), ...(desk && pasted.pictures.length > 0 ? {} : { undo }) })
  }
  const { pasteHtml } = useSteady({ pasteHtml: pasteFrom })
  // The same at every render: with others the editor would draw itself anew for each letter.
  const [extended] = useState(() =>
    extensions(
      {
        part: (id) => latest.current.words.part(id),
        gap: (gap, of) => latest.current.words.gap?.(gap, of) ?? gap,
      },
      view,
      {
        media: view?.media ?? desk?.address ?? (() => ''),
        words: texts.rich.picture,
        describe: (on, at) => {
          if (on.state.doc.nodeAt(at)?.type.name !== 'equation') return askAbout(on, at, latest.current.desk)
          on.view.dispatch(on.state.tr.setSelection(NodeSelection.create(on.state.doc, at)))
          ask('equation')
        },
      },
    ),
  )
  const [content] = useState(html)
  const isLine = calls.onEnter !== undefined
  const editorProps = useMemo<EditorOptions['editorProps']>(
    () => ({
      attributes: {
        'aria-label': label,
        role: 'textbox',
        'aria-multiline': isLine ? 'false' : 'true',
        class: className,
        ...(placeholder ? { 'data-placeholder': placeholder } : {}),
      },
      handleKeyDown: (view, event) => {
        const { $from, empty } = view.state.selection
        if (event.key === '/' && latest.current.onSlash && empty && $from.parent.isTextblock && $from.parent.content.size === 0) {
          latest.current.onSlash()
          return true
        }
        const isThing = view.state.selection instanceof NodeSelection // it has an Enter of its own
        if (event.key === 'Enter' && !isThing && !event.shiftKey && !event.ctrlKey && !event.altKey && latest.current.onEnter) {
          latest.current.onEnter()
          return true
        }
        const action = event.altKey && event.shiftKey ? actions[event.code] : undefined
        if (action && (!ofLibrary.includes(action) || latest.current.desk)) {
          ask(action)
          return true
        }
        return latest.current.onKey?.(event) ?? false
      },
      transformPastedHTML: plainTables,
      handleDrop: (on, event, _, moved) => {
        const files = moved ? [] : filesOf(event.dataTransfer)
        const place = on.posAtCoords({ left: event.clientX, top: event.clientY })
        if (files.length === 0 || !place || !editorRef.current || !latest.current.desk) return false
        uploadHere(editorRef.current, latest.current.desk, files, place.pos, texts.rich.picture.uploading({ n: files.length }))
        return true
      },
      handlePaste: (on, event) => {
        if (pasting.current) return false
        const files = filesOf(event.clipboardData)
        if (files.length > 0 && editorRef.current && latest.current.desk) {
          uploadHere(
            editorRef.current,
            latest.current.desk,
            files,
            on.state.selection.from,
            texts.rich.picture.uploading({ n: files.length }),
          )
          return true
        }
        const html = event.clipboardData?.getData('text/html') ?? ''
        const text = event.clipboardData?.getData('text/plain') ?? ''
        const isLines = /\S[^\S\n]*\r?\n\s*\S/.test(text)
        if (!/<img\b/i.test(html) && isLines && latest.current.onPasteLines?.(text)) return true
        if (html === '' || html.includes('data-pm-slice')) return false
        pasteHtml(html, event)
        return true
      },
    }),
    [label, className, placeholder, isLine, pasteHtml],
  )
  const editor = useEditor({
    extensions: extended,
    content,
    editorProps,
    onUpdate: ({ editor: changed, transaction }) => {
      const html = changed.isEmpty ? '' : changed.getHTML()
      echoes.current.say(html)
      latest.current.onChange(html, transaction.getMeta(STEP) === true || transaction.getMeta('uiEvent') === 'paste')
    },
  })
  editorRef.current = editor
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
  const toolbar = <Toolbar editor={editor} size={bar} asked={asked} onAsk={ask} more={more?.(editor)} tables={tables?.(editor)} />
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: it only looks whether the focus is within
    <div className="relative" onFocus={() => setIn(true)} onBlur={(event) => setIn(event.currentTarget.contains(event.relatedTarget))}>
      {bar === 'full' ? toolbar : null}
      {bar === 'small' && (isIn || asked !== null) ? (
        <div className="small-bar -right-28 absolute bottom-full z-20 mb-0.5 max-lg:right-0">{toolbar}</div>
      ) : null}
      <EditorContent editor={editor} className={`question-text ${html === '' ? 'is-empty' : ''}`} />
    </div>
  )
}

/** One line that names what of a paste was left out. */
function leftOutWords(leftOut: LeftOut): string {
  const said = texts.rich.paste
  const kinds = (['pictures', 'homeless', 'embedded', 'fields'] as const).filter((kind) => leftOut[kind] > 0)
  return said.leftOut({ what: list(kinds.map((kind) => said[kind]({ n: leftOut[kind] }))) })
}

/** Alt Shift and a letter. */
const actions: Record<string, RichAction> = {
  KeyL: 'link',
  KeyP: 'picture',
  KeyR: 'recording',
  KeyE: 'equation',
  KeyS: 'symbols',
}
const ofLibrary: RichAction[] = ['picture', 'recording']

/** Files, unless words came along, as from a spreadsheet that adds a picture of its cells. */
function filesOf(transfer: DataTransfer | null): File[] {
  if (!transfer || transfer.types.includes('text/html')) return []
  return [...transfer.files]
}

async function askAbout(editor: Editor, at: number, desk: MediaDesk | null) {
  const node = editor.state.doc.nodeAt(at)
  const placed = node && placedOf(node)
  if (!desk || !node || !placed) return
  const said = await desk.describe(placed)
  if (editor.isDestroyed) return
  editor.commands.focus()
  if (said === null || editor.state.doc.nodeAt(at)?.attrs.id !== node.attrs.id) return
  changePlaced(editor, at, editor.state.doc.nodeAt(at) ?? node, said)
}

function isMounted(editor: Editor): boolean {
  try {
    return editor.view.dom.isConnected
  } catch {
    return false // between two places in the page an editor has no view
  }
}
