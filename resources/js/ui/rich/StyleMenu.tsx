import type { Editor } from '@tiptap/core'
import { useEditorState } from '@tiptap/react'
import { memo } from 'react'
import { texts } from '@/messages'

const words = texts.rich.style
type Style = 'text' | 'h3' | 'h4' | 'h5' | 'quote' | 'pre'
const styles: Style[] = ['text', 'h3', 'h4', 'h5', 'quote', 'pre']

function styleOf(editor: Editor): Style {
  if (editor.isActive('codeBlock')) return 'pre'
  if (editor.isActive('blockquote')) return 'quote'
  for (const level of [3, 4, 5]) if (editor.isActive('heading', { level })) return `h${level}` as Style
  return 'text'
}

function apply(editor: Editor, style: Style) {
  const plain = editor.chain().focus()
  if (editor.isActive('blockquote') && style !== 'quote') plain.lift('blockquote')
  if (style === 'text') plain.setParagraph().run()
  else if (style === 'pre') plain.setCodeBlock().run()
  else if (style === 'quote') plain.setParagraph().setBlockquote().run()
  else plain.setHeading({ level: Number(style[1]) as 3 | 4 | 5 }).run()
}

/** What kind of paragraph the cursor is in. */
export const StyleMenu = memo(function StyleMenu({ editor }: { editor: Editor }) {
  const style = useEditorState({ editor, selector: ({ editor: now }) => styleOf(now) })
  return (
    <select
      aria-label={words.label}
      title={words.label}
      value={style}
      onChange={(event) => apply(editor, event.target.value as Style)}
      className="min-h-7 rounded-ui border border-transparent bg-transparent px-1 text-caption text-second [field-sizing:content] hover:border-edge"
    >
      {styles.map((one) => (
        <option key={one} value={one}>
          {words[one]}
        </option>
      ))}
    </select>
  )
})
