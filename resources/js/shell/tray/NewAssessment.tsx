import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { assessmentQuery, makeAssessment } from '@/api/assembly'
import { ApiProblem } from '@/api/client'
import { banksQuery } from '@/api/queries'
import type { Bank } from '@/api/schema'
import { list } from '@/lib/format'
import { storedText, storeText } from '@/lib/storage'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'
import { folderNames, folderText, PlaceFields, type PlaceValue } from './PlaceFields'
import { setAtHand } from './useAtHand'

const writable = (banks: Bank[]) => banks.filter((bank) => bank.may_write && !bank.archived)

type Props = {
  questions?: string[]
  like?: { id: string; title: string; bank: string; folder: string[]; course: string; term: string }
  merge?: { id: string; title: string }[]
  /** Where one begins: a folder that is shown. */
  place?: { bank: string; folder: string[] }
  onClose: () => void
}

/** A new assessment: empty, of what lies in the tray, like another, or of several. */
export function NewAssessment({ questions, like, merge, place: begin, onClose }: Props) {
  const client = useQueryClient()
  const navigate = useNavigate()
  const tell = useToast()
  const banks = writable(useQuery(banksQuery).data ?? [])
  const [title, setTitle] = useState(like ? texts.assembly.copyOf({ title: like.title }) : '')
  const [bank, setBank] = useState(like?.bank ?? begin?.bank ?? '')
  const [place, setPlace] = useState<PlaceValue>({
    folder: folderText(like?.folder ?? begin?.folder ?? []),
    course: like?.course ?? '',
    term: like?.term ?? '',
  })
  const [rolls, setRolls] = useState(false)
  const [revisions, setRevisions] = useState<'as_they_are' | 'follow' | 'pin'>('as_they_are')
  // the same asked twice is made once; anything else is another
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new key for whatever else is asked
  const key = useMemo(() => crypto.randomUUID(), [title, bank, place, rolls, revisions])
  /** The bank that was chosen, the one used last, or one of one's own, never a shared one. */
  const choice = (among: Bank[]) => {
    const own = among.find((one) => one.shared_with.length === 0 && one.may_manage)?.slug
    const wanted = [bank, storedText('assessments-in'), own].find((slug) => among.some((one) => one.slug === slug))
    return wanted ?? (among.length === 1 ? (among[0]?.slug ?? '') : '')
  }
  const chosen = choice(banks)
  const make = useMutation({
    mutationFn: async () => {
      // Enter may be pressed before the banks are there
      const home = choice(writable(await client.ensureQueryData(banksQuery)))
      return makeAssessment(
        {
          title,
          bank: home,
          ...(questions ? { questions } : {}),
          folder: folderNames(place.folder),
          course: place.course,
          term: place.term,
          ...(like ? { like: like.id, rolls, revisions } : {}),
          ...(merge ? { merge: merge.map((one) => one.id) } : {}),
        },
        key,
      )
    },
    onSuccess: (made) => {
      client.setQueryData(assessmentQuery(made.id).queryKey, made)
      client.invalidateQueries({ queryKey: ['assessments'] })
      setAtHand(made.id)
      storeText('assessments-in', made.bank.slug)
      tell({ text: texts.assembly.places.madeIn({ title: made.title, place: folderText([made.bank.name, ...made.folder]) }) })
      onClose()
      navigate(`/assessments/${made.id}`)
    },
  })
  const atBank = make.error instanceof ApiProblem && make.error.path === '/bank'
  return (
    <FormDialog
      onClose={onClose}
      title={like ? texts.assembly.duplicate : merge ? texts.assembly.merge.title : texts.assembly.make}
      {...(questions ? { about: texts.assembly.count({ n: questions.length }) } : {})}
      {...(merge ? { about: texts.assembly.merge.about({ titles: list(merge.map((one) => one.title)) }) } : {})}
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
      <PlaceFields bank={chosen} value={place} onChange={setPlace} />
      {like ? (
        <>
          <Field.Root>
            <Field.Label>{texts.assembly.places.revisions}</Field.Label>
            <Field.Choice value={revisions} onChange={(event) => setRevisions(event.target.value as 'follow')}>
              {Object.entries(texts.assembly.places.revisionsOf).map(([one, name]) => (
                <option key={one} value={one}>
                  {name}
                </option>
              ))}
            </Field.Choice>
          </Field.Root>
          <label className="flex items-center gap-2">
            <input type="checkbox" className="accent-accent" checked={rolls} onChange={(event) => setRolls(event.target.checked)} />
            {texts.assembly.places.rolls}
          </label>
        </>
      ) : null}
    </FormDialog>
  )
}
