import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import type { QuestionJson } from '@/api/question'
import { keepStart, startsQuery } from '@/api/starts'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'

/** Keeps the question on the desk as a beginning of others. */
export function KeepStart({ question, onClose }: { question: QuestionJson; onClose: () => void }) {
  const [name, setName] = useState(question.title ?? '')
  const client = useQueryClient()
  const tell = useToast()
  const keep = useMutation({
    mutationFn: () => keepStart(name, question),
    onSuccess: () => {
      client.invalidateQueries({ queryKey: startsQuery.queryKey })
      tell({ text: texts.starts.kept({ name: name.trim() }) })
      onClose()
    },
  })
  return (
    <FormDialog
      onClose={onClose}
      title={texts.starts.keep}
      about={texts.starts.keepAbout}
      go={texts.starts.keepGo}
      disabled={keep.isPending}
      onSubmit={() => keep.mutate()}
    >
      <Field.Root problem={keep.error?.message ?? null}>
        <Field.Label>{texts.starts.name}</Field.Label>
        <Field.Text autoFocus maxLength={200} value={name} onChange={(event) => setName(event.target.value)} />
      </Field.Root>
    </FormDialog>
  )
}
