import type { Editor } from '@tiptap/core'
import { Ellipsis } from 'lucide-react'
import { memo, useState } from 'react'
import { lazily } from '@/lib/lazily'
import { texts } from '@/messages'
import { Menu } from '../Menu'
import { useToast } from '../Toasts'
import { clearFormatting } from './clearFormatting'
import { formatKeys } from './keys'
import { ToolButton } from './ToolButton'

const words = texts.rich
const NumberDialog = lazily(() => import('./NumberDialog'), 'NumberDialog')
const LanguageDialog = lazily(() => import('./LanguageDialog'), 'LanguageDialog')

/** What is wanted now and then: direction, language, numbering, no formatting at all. */
export const MoreMenu = memo(function MoreMenu({ editor }: { editor: Editor }) {
  const tell = useToast()
  const [open, setOpen] = useState(false)
  const [naming, setNaming] = useState(false)
  const [starting, setStarting] = useState(false)
  const block = () => (editor.isActive('heading') ? 'heading' : 'paragraph')
  const direct = (dir: string) =>
    editor
      .chain()
      .focus()
      .updateAttributes(block(), { dir: dir === 'auto' ? null : dir })
      .run()
  const name = () => {
    if (editor.state.selection.empty) tell({ text: words.language.none, look: 'problem' })
    else setNaming(true)
  }
  return (
    <>
      <Menu.Root
        open={open}
        onOpen={setOpen}
        onClosed={() => editor.view.focus()}
        button={<ToolButton name={words.bar.more} icon={Ellipsis} />}
      >
        <Menu.Item keys="Ctrl \" onSelect={() => clearFormatting(editor)}>
          {words.clear}
        </Menu.Item>
        <Menu.Item keys={formatKeys.rule} onSelect={() => editor.chain().focus().setHorizontalRule().run()}>
          {words.bar.rule}
        </Menu.Item>
        <Menu.Item onSelect={name}>{words.language.label}</Menu.Item>
        <Menu.Line />
        <Menu.Label>{words.direction.label}</Menu.Label>
        <Menu.Choice
          value={editor.getAttributes(block()).dir ?? 'auto'}
          options={[
            ['auto', words.direction.auto],
            ['ltr', words.direction.ltr],
            ['rtl', words.direction.rtl],
          ]}
          onChange={direct}
        />
        {editor.isActive('orderedList') ? (
          <>
            <Menu.Line />
            <Menu.Label>{words.lists.label}</Menu.Label>
            <Menu.Choice
              value={editor.getAttributes('orderedList').type ?? '1'}
              options={(['1', 'a', 'A', 'i', 'I'] as const).map((type) => [type, words.lists[type]])}
              onChange={(type) =>
                editor
                  .chain()
                  .focus()
                  .updateAttributes('orderedList', { type: type === '1' ? null : type })
                  .run()
              }
            />
            <Menu.Item onSelect={() => setStarting(true)}>{words.lists.start}</Menu.Item>
          </>
        ) : null}
      </Menu.Root>
      {starting ? (
        <NumberDialog
          title={words.lists.first}
          value={editor.getAttributes('orderedList').start ?? 1}
          least={0}
          most={100_000}
          onSave={(start) =>
            editor
              .chain()
              .focus()
              .updateAttributes('orderedList', { start: start ?? 1 })
              .run()
          }
          onClose={() => setStarting(false)}
        />
      ) : null}
      {naming ? <LanguageDialog editor={editor} onClose={() => setNaming(false)} /> : null}
    </>
  )
})
