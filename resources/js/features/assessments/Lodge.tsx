import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import type { Pick, WholeEntry } from '@/api/assembly'
import { banksQuery, createQuestion, questionQuery, saveQuestion } from '@/api/queries'
import { editEntries, isDraw } from '@/lib/assessment'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { Message } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'
import type { Document } from './useDocument'

const words = texts.assembly.lodge

type Props = { document: Document; entry: Pick; whole: WholeEntry; onClose: () => void }

/**
 * What was varied only here goes into a bank: as a new question, or as the next revision of its own. The assessment follows it from
 * then on.
 */
export function Lodge({ document, entry, whole, onClose }: Props) {
  const client = useQueryClient()
  const tell = useToast()
  const banks = (useQuery(banksQuery).data ?? []).filter((bank) => bank.may_write && !bank.archived)
  const stored = useQuery({ ...questionQuery(entry.question), enabled: whole.may_write })
  const mayRevise = whole.may_write && stored.data !== undefined
  const [how, setHow] = useState<'new' | 'revision'>('new')
  const [slug, setSlug] = useState('')
  const home = [slug, whole.bank, document.stored.bank.slug].map((one) => banks.find((bank) => bank.slug === one)).find(Boolean) ?? banks[0]
  const follow = (question: string, revision: number) =>
    document.change((now) =>
      editEntries(now, [entry.id], (one) => {
        if (isDraw(one)) return one
        const { variation: _, revision: __, stimuli: ___, follow: ____, ...rest } = one
        return { ...rest, question, seen: revision }
      }),
    )
  const lodge = useMutation({
    mutationFn: async () => {
      if (how === 'revision' && stored.data) {
        // the record is the bank's; what was varied is the question
        const { record: _, ...question } = whole.question
        return saveQuestion({ ...question, id: entry.question }, stored.data.revision, words.note({ title: document.stored.title }))
      }
      if (!home) throw new Error(words.nowhere)
      const record = stored.data?.question.record
      const { specimens: _, origin: __, ...kept } = record ?? {}
      return createQuestion(home.slug, { ...whole.question, id: crypto.randomUUID(), ...(record ? { record: kept } : {}) })
    },
    onSuccess: (now) => {
      client.setQueryData(questionQuery(now.id).queryKey, now)
      client.invalidateQueries({ queryKey: ['bank', now.bank.slug] })
      follow(now.id, now.revision)
      tell({ text: words.done({ bank: now.bank.name }) })
      onClose()
    },
  })
  return (
    <FormDialog
      title={words.title}
      about={words.about}
      go={words.go}
      disabled={lodge.isPending || (how === 'new' && !home)}
      onSubmit={() => lodge.mutate()}
      onClose={onClose}
    >
      {mayRevise ? (
        <fieldset className="flex flex-col gap-1">
          <legend className="sr-only">{words.title}</legend>
          {(['new', 'revision'] as const).map((one) => (
            <label key={one} className="flex items-center gap-2">
              <input type="radio" name="how" className="accent-accent" checked={how === one} onChange={() => setHow(one)} />
              {words.how[one]}
            </label>
          ))}
        </fieldset>
      ) : null}
      {how === 'new' ? (
        banks.length === 0 ? (
          <Message look="attention">{words.nowhere}</Message>
        ) : (
          <Field.Root problem={lodge.error?.message ?? null}>
            <Field.Label>{texts.assembly.bank}</Field.Label>
            <Field.Choice value={home?.slug ?? ''} onChange={({ target }) => setSlug(target.value)}>
              {banks.map((bank) => (
                <option key={bank.slug} value={bank.slug}>
                  {bank.name}
                </option>
              ))}
            </Field.Choice>
          </Field.Root>
        )
      ) : lodge.isError ? (
        <Message look="problem">{lodge.error.message}</Message>
      ) : null}
    </FormDialog>
  )
}
