import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { assessmentQuery, makeAssessment } from '@/api/assembly'
import { ApiProblem } from '@/api/client'
import { banksQuery } from '@/api/queries'
import type { Bank } from '@/api/schema'
import { storedText, storeText } from '@/lib/storage'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'
import { setAtHand } from './useAtHand'

const writable = (banks: Bank[]) => banks.filter((bank) => bank.may_write && !bank.archived)

type Props = { questions?: string[]; like?: { id: string; title: string; bank: string }; onClose: () => void }

/** A new assessment: empty, of what lies in the tray, or like another. */
export function NewAssessment({ questions, like, onClose }: Props) {
  const client = useQueryClient()
  const navigate = useNavigate()
  const tell = useToast()
  const banks = writable(useQuery(banksQuery).data ?? [])
  const [title, setTitle] = useState(like ? texts.assembly.copyOf({ title: like.title }) : '')
  const [bank, setBank] = useState(like?.bank ?? '')
  const [key] = useState(() => crypto.randomUUID())
  // Preselect the bank used last or one of one's own, never a shared one.
  const last = storedText('assessments-in') ?? ''
  const own = banks.find((one) => one.shared_with.length === 0 && one.may_manage)?.slug ?? ''
  const chosen =
    [bank, last, own].find((slug) => banks.some((one) => one.slug === slug)) ?? (banks.length === 1 ? (banks[0]?.slug ?? '') : '')
  const make = useMutation({
    mutationFn: async () => {
      const all = writable(await client.ensureQueryData(banksQuery))
      const home = chosen || (all.length === 1 ? (all[0]?.slug ?? '') : '')
      return makeAssessment(
        { title, bank: home, ...(questions ? { questions } : {}), ...(like ? { like: like.id } : {}) },
        `${key} ${title} ${home}`,
      )
    },
    onSuccess: (made) => {
      client.setQueryData(assessmentQuery(made.id).queryKey, made)
      client.invalidateQueries({ queryKey: ['assessments'] })
      setAtHand(made.id)
      storeText('assessments-in', made.bank.slug)
      tell({ text: texts.assembly.made({ title: made.title }) })
      onClose()
      navigate(`/assessments/${made.id}`)
    },
  })
  const atBank = make.error instanceof ApiProblem && make.error.path === '/bank'
  return (
    <FormDialog
      onClose={onClose}
      title={like ? texts.assembly.duplicate : texts.assembly.make}
      {...(questions ? { about: texts.assembly.count({ n: questions.length }) } : {})}
      go={texts.assembly.makeGo}
      disabled={make.isPending}
      onSubmit={() => make.mutate()}
      className="flex flex-col gap-4"
    >
      <Field.Root problem={make.isError && !atBank ? make.error.message : null}>
        <Field.Label>{texts.assembly.name}</Field.Label>
        <Field.Text value={title} maxLength={500} onChange={(event) => setTitle(event.target.value)} />
      </Field.Root>
      <Field.Root problem={make.isError && atBank ? make.error.message : null}>
        <Field.Label>{texts.assembly.bank}</Field.Label>
        <Field.Choice value={chosen} onChange={(event) => setBank(event.target.value)}>
          {chosen === '' ? <option value="">{texts.assembly.chooseBank}</option> : null}
          {banks.map((one) => (
            <option key={one.slug} value={one.slug}>
              {one.name}
            </option>
          ))}
        </Field.Choice>
      </Field.Root>
      <p className="text-caption text-second">{texts.assembly.bankAbout}</p>
    </FormDialog>
  )
}
