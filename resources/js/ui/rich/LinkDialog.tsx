import type { Editor } from '@tiptap/core'
import { useState } from 'react'
import { texts } from '@/messages'
import { Button } from '../Button'
import { Field } from '../Field'
import { FormDialog } from '../FormDialog'

const words = texts.rich.link
/** What the server keeps (Content\Attributes): http, https and mailto. */
const GOOD = /^(?:https?:\/\/[^/\s\\]|mailto:[^\s])/i

/** An address without a scheme means https, one with an @ a letter. */
export function asAddress(typed: string): string {
  const address = typed.trim()
  if (/^[a-z][a-z0-9+.-]*:/i.test(address)) return address
  if (/^[^\s@/]+@[^\s@/]+\.[^\s@/]+$/.test(address)) return `mailto:${address}`
  return /^[^\s/]+\.[^\s/]+/.test(address) ? `https://${address}` : address
}

export const isAddress = (address: string): boolean => GOOD.test(address)

/** A link around what is selected, or around words typed here. */
export function LinkDialog({ editor, onClose }: { editor: Editor; onClose: () => void }) {
  const [range] = useState(() => {
    if (editor.isActive('link')) editor.commands.extendMarkRange('link')
    const { from, to } = editor.state.selection
    return { from, to, text: editor.state.doc.textBetween(from, to, ' '), href: editor.getAttributes('link').href ?? '' }
  })
  const [href, setHref] = useState<string>(range.href)
  const [text, setText] = useState(range.text)
  const [problem, setProblem] = useState<string | null>(null)
  const back = () => editor.chain().focus().setTextSelection({ from: range.from, to: range.to })
  return (
    <FormDialog
      title={words.title}
      go={range.href === '' ? words.go : words.change}
      onClose={onClose}
      onSubmit={() => {
        const address = asAddress(href)
        if (!isAddress(address)) return setProblem(words.wrong)
        onClose()
        const link = { type: 'link', attrs: { href: address } }
        if (range.from === range.to || text !== range.text)
          back()
            .insertContent({ type: 'text', text: text.trim() === '' ? address : text, marks: [link] })
            .run()
        else back().setLink({ href: address }).run()
      }}
    >
      <Field.Root problem={problem}>
        <Field.Label>{words.address}</Field.Label>
        <Field.Text
          value={href}
          maxLength={2000}
          inputMode="url"
          placeholder="https://"
          onChange={(event) => {
            setHref(event.target.value)
            setProblem(null)
          }}
        />
      </Field.Root>
      <Field.Root>
        <Field.Label>{words.words}</Field.Label>
        <Field.Text value={text} maxLength={1000} onChange={(event) => setText(event.target.value)} />
      </Field.Root>
      {range.href === '' ? null : (
        <div>
          <Button
            onClick={() => {
              onClose()
              back().unsetLink().run()
            }}
          >
            {words.remove}
          </Button>
        </div>
      )}
    </FormDialog>
  )
}
