import type { Editor } from '@tiptap/core'
import { useEditorState } from '@tiptap/react'

const signs: Record<string, string> = { sub: 'x₂', sup: 'x²' }

/** Names of the buttons. */
export type BarWords = { label: string; bold: string; italic: string; sub: string; sup: string; list: string; numbers: string }

/** Formatting, and whatever else a place offers. */
export function EditorBar({ editor, words, more }: { editor: Editor; words: BarWords; more: React.ReactNode }) {
  const on = useEditorState({
    editor,
    selector: ({ editor: now }) => ({
      bold: now.isActive('bold'),
      italic: now.isActive('italic'),
      sub: now.isActive('sub'),
      sup: now.isActive('sup'),
      list: now.isActive('bulletList'),
      numbers: now.isActive('orderedList'),
    }),
  })
  const chain = () => editor.chain().focus()
  const buttons = [
    ['bold', words.bold, <b key="b">B</b>, () => chain().toggleBold().run()],
    ['italic', words.italic, <i key="i">I</i>, () => chain().toggleItalic().run()],
    ['sub', words.sub, <span key="sub">{signs.sub}</span>, () => chain().toggleMark('sub').run()],
    ['sup', words.sup, <span key="sup">{signs.sup}</span>, () => chain().toggleMark('sup').run()],
    ['list', words.list, words.list, () => chain().toggleBulletList().run()],
    ['numbers', words.numbers, words.numbers, () => chain().toggleOrderedList().run()],
  ] as const
  return (
    <div role="toolbar" aria-label={words.label} className="mb-2 flex flex-wrap items-center gap-1 border-hairline border-b pb-1.5">
      {buttons.map(([key, name, face, act]) => (
        <button
          key={key}
          type="button"
          title={name}
          aria-label={signs[key] ? `${name}, ${signs[key]}` : name} // WCAG 2.5.3: the name contains the visible text
          aria-pressed={on[key]}
          onClick={act}
          className="min-h-7 min-w-7 rounded-ui px-2 text-second hover:bg-well aria-pressed:bg-accent-tint aria-pressed:text-accent"
        >
          {face}
        </button>
      ))}
      {more}
    </div>
  )
}
