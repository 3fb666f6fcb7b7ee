import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { copyBank, goesOn } from '@/api/acts'
import type { Bank } from '@/api/schema'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'

/** A bank copied whole, under another name. */
export function CopyBankDialog({ bank, onClose }: { bank: Bank; onClose: () => void }) {
  const client = useQueryClient()
  const navigate = useNavigate()
  const tell = useToast()
  const [name, setName] = useState(texts.banks.copyName({ name: bank.name }))
  const [key] = useState(() => crypto.randomUUID())
  const copy = useMutation({
    mutationFn: () => copyBank(bank.slug, name, key),
    onSuccess: ({ slug, act }) => {
      client.invalidateQueries({ queryKey: ['banks'] })
      navigate(`/banks/${slug}`)
      tell({
        text: goesOn(act) ? texts.acts.started({ count: act.total }) : texts.banks.copied({ name, n: act.changed }),
        link: { title: texts.acts.receipt, go: () => navigate(`/acts/${act.act}`) },
      })
      onClose()
    },
  })
  return (
    <FormDialog
      onClose={onClose}
      title={texts.banks.copy}
      about={texts.banks.copyAbout}
      go={texts.banks.copyGo}
      disabled={copy.isPending || name.trim() === ''}
      onSubmit={() => copy.mutate()}
    >
      <Field.Root problem={copy.error?.message ?? null}>
        <Field.Label>{texts.tree.name}</Field.Label>
        <Field.Text maxLength={200} value={name} onChange={(event) => setName(event.target.value)} />
      </Field.Root>
    </FormDialog>
  )
}
