import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { blueprintQuery, makeBlueprint } from '@/api/blueprints'
import { banksQuery } from '@/api/queries'
import { storedText, storeText } from '@/lib/storage'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'

const words = texts.blueprints

type Props = {
  like?: { id: string; title: string; bank: string }
  assessment?: { id: string; title: string; bank: string }
  onClose: () => void
}

/** A new blueprint: empty, like another, or of what an assessment asks. */
export function NewBlueprint({ like, assessment, onClose }: Props) {
  const client = useQueryClient()
  const navigate = useNavigate()
  const banks = (useQuery(banksQuery).data ?? []).filter((one) => one.may_write && !one.archived)
  const [title, setTitle] = useState(
    like ? texts.assembly.copyOf({ title: like.title }) : assessment ? words.likeTitle({ title: assessment.title }) : '',
  )
  const [bank, setBank] = useState(like?.bank ?? assessment?.bank ?? storedText('assessments-in') ?? '')
  const chosen = banks.some((one) => one.slug === bank) ? bank : (banks[0]?.slug ?? '')
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new key for whatever else is asked
  const key = useMemo(() => crypto.randomUUID(), [title, bank])
  const make = useMutation({
    mutationFn: () =>
      makeBlueprint({ title, bank: chosen, ...(like ? { like: like.id } : {}), ...(assessment ? { assessment: assessment.id } : {}) }, key),
    onSuccess: (made) => {
      client.setQueryData(blueprintQuery(made.id).queryKey, made)
      client.invalidateQueries({ queryKey: ['blueprints'] })
      storeText('assessments-in', made.bank.slug)
      onClose()
      navigate(`/blueprints/${made.id}`)
    },
  })
  return (
    <FormDialog
      title={like ? words.duplicate : assessment ? words.likeAssessment : words.make}
      {...(assessment ? { about: words.likeAbout } : {})}
      go={words.create}
      disabled={make.isPending || chosen === ''}
      onClose={onClose}
      onSubmit={() => make.mutate()}
    >
      <Field.Root problem={make.isError ? make.error.message : null}>
        <Field.Label>{texts.assembly.name}</Field.Label>
        <Field.Text value={title} maxLength={500} onChange={(event) => setTitle(event.target.value)} />
      </Field.Root>
      <Field.Root>
        <Field.Label>{texts.assembly.bank}</Field.Label>
        <Field.Choice value={chosen} onChange={(event) => setBank(event.target.value)}>
          {banks.map((one) => (
            <option key={one.slug} value={one.slug}>
              {one.name}
            </option>
          ))}
        </Field.Choice>
      </Field.Root>
      <p className="text-caption text-second">{words.bankAbout}</p>
    </FormDialog>
  )
}
