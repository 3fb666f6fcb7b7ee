import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { type BankAbout, changeBank, makeBank } from '@/api/actions'
import type { Bank } from '@/api/schema'
import { uuid7 } from '@/editor/fresh'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'

/** Name, purpose and what else is said of a bank; a new one when none is given. */
export function AboutDialog({ bank, onClose }: { bank?: Bank; onClose: () => void }) {
  const client = useQueryClient()
  const navigate = useNavigate()
  const tell = useToast()
  const [key] = useState(uuid7)
  const [about, setAbout] = useState<Record<string, string>>(() =>
    Object.fromEntries(Object.keys(texts.banks.fields).map((field) => [field, String(bank?.[field as keyof Bank] ?? '')])),
  )
  const save = useMutation({
    mutationFn: () => (bank ? changeBank(bank.slug, about as BankAbout) : makeBank(about as BankAbout, key)),
    onSuccess: (saved) => {
      client.invalidateQueries({ queryKey: ['banks'] })
      client.invalidateQueries({ queryKey: ['bank', saved.slug] })
      tell({ text: bank ? texts.banks.changed : texts.banks.made({ name: saved.name }) })
      onClose()
      if (!bank) navigate(`/banks/${saved.slug}`)
    },
  })
  return (
    <FormDialog
      onClose={onClose}
      title={bank ? texts.banks.settings : texts.banks.make}
      go={bank ? texts.frame.save : texts.banks.makeGo}
      disabled={save.isPending}
      onSubmit={() => save.mutate()}
    >
      {Object.entries(texts.banks.fields).map(([field, label], i) => (
        <Field.Root key={field} problem={i === 0 ? (save.error?.message ?? null) : null}>
          <Field.Label>{label}</Field.Label>
          <Field.Text
            autoFocus={i === 0}
            maxLength={200}
            value={about[field] ?? ''}
            onChange={(event) => setAbout({ ...about, [field]: event.target.value })}
          />
        </Field.Root>
      ))}
    </FormDialog>
  )
}
