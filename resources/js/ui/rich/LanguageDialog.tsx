import type { Editor } from '@tiptap/core'
import { useState } from 'react'
import { texts } from '@/messages'
import { Field } from '../Field'
import { FormDialog } from '../FormDialog'

const words = texts.rich
const LANGUAGE = /^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$/

/** The language of what is selected (WCAG 3.1.2). */
export function LanguageDialog({ editor, onClose }: { editor: Editor; onClose: () => void }) {
  const [lang, setLang] = useState<string>(editor.getAttributes('passage').lang ?? '')
  const [problem, setProblem] = useState<string | null>(null)
  return (
    <FormDialog
      title={words.language.label}
      about={words.language.about}
      go={texts.frame.save}
      onClose={onClose}
      onSubmit={() => {
        const code = lang.trim()
        if (code !== '' && !LANGUAGE.test(code)) return setProblem(words.language.wrong)
        onClose()
        if (code === '') editor.chain().focus().unsetMark('passage').run()
        else editor.chain().focus().setMark('passage', { lang: code }).run()
      }}
    >
      <Field.Root problem={problem}>
        <Field.Label hidden>{words.language.label}</Field.Label>
        <Field.Text value={lang} maxLength={35} onChange={(event) => setLang(event.target.value)} />
      </Field.Root>
    </FormDialog>
  )
}
