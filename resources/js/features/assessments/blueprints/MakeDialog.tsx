import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { type Assembled, type BlueprintContent, makeAssessments } from '@/api/blueprints'
import { banksQuery } from '@/api/queries'
import { texts } from '@/messages'
import { folderNames, PlaceFields, type PlaceValue } from '@/shell/tray/PlaceFields'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'

const words = texts.blueprints

type Props = {
  id: string
  bank: string
  content: BlueprintContent
  found: Assembled
  onLayout: (into: NonNullable<BlueprintContent['into']>) => Promise<unknown>
  onClose: () => void
}

/** Assessments of the tests that were found: where they go, and how they are divided and ordered. */
export function MakeDialog({ id, bank: home, content, found, onLayout, onClose }: Props) {
  const client = useQueryClient()
  const navigate = useNavigate()
  const tell = useToast()
  const banks = (useQuery(banksQuery).data ?? []).filter((one) => one.may_write && !one.archived)
  const [title, setTitle] = useState(content.title)
  const [bank, setBank] = useState(home)
  const [place, setPlace] = useState<PlaceValue>({ folder: '', course: '', term: '' })
  const [into, setInto] = useState(content.into ?? {})
  const chosen = banks.some((one) => one.slug === bank) ? bank : (banks[0]?.slug ?? '')
  // the same asked twice is made once
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new key for whatever else is asked
  const key = useMemo(() => crypto.randomUUID(), [title, bank, place, into])
  const make = useMutation({
    mutationFn: async () => {
      await onLayout(into)
      return makeAssessments(
        id,
        {
          title,
          bank: chosen,
          tests: found.tests.map((test) => test.questions.map((row) => row.id)),
          seed: found.seed,
          folder: folderNames(place.folder),
          course: place.course,
          term: place.term,
        },
        key,
      )
    },
    onSuccess: (made) => {
      client.invalidateQueries({ queryKey: ['assessments'] })
      client.invalidateQueries({ queryKey: ['blueprints'] })
      tell({ text: words.made({ n: made.length, title: made[0]?.title ?? '' }) })
      onClose()
      navigate(made.length === 1 ? `/assessments/${made[0]?.id}` : '/assessments')
    },
  })
  const choice = (label: string, value: string, options: [string, string][], set: (value: string) => void) => (
    <Field.Root>
      <Field.Label>{label}</Field.Label>
      <Field.Choice value={value} onChange={(event) => set(event.target.value)}>
        {options.map(([one, name]) => (
          <option key={one} value={one}>
            {name}
          </option>
        ))}
      </Field.Choice>
    </Field.Root>
  )
  return (
    <FormDialog
      title={words.makeTitle({ n: found.tests.length })}
      {...(found.possible ? {} : { about: words.makeShort })}
      go={words.makeGo({ n: found.tests.length })}
      disabled={make.isPending || chosen === '' || title.trim() === ''}
      onClose={onClose}
      onSubmit={() => make.mutate()}
    >
      <Field.Root problem={make.isError ? make.error.message : null}>
        <Field.Label>{texts.assembly.name}</Field.Label>
        <Field.Text value={title} maxLength={490} onChange={(event) => setTitle(event.target.value)} />
      </Field.Root>
      {choice(
        texts.assembly.bank,
        chosen,
        banks.map((one): [string, string] => [one.slug, one.name]),
        setBank,
      )}
      <PlaceFields bank={chosen} value={place} onChange={setPlace} />
      {choice(words.layout.sections, into.sections ?? 'one', Object.entries(words.layout.sectionsOf), (value) =>
        setInto({ ...into, sections: value as 'one' }),
      )}
      {choice(words.layout.order, into.order ?? 'table', Object.entries(words.layout.orderOf), (value) =>
        setInto({ ...into, order: value as 'table' }),
      )}
      {choice(words.layout.as, into.as ?? 'picks', Object.entries(words.layout.asOf), (value) =>
        setInto({ ...into, as: value as 'picks' }),
      )}
    </FormDialog>
  )
}
