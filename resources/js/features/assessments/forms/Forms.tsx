import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { type Assessment, assessmentQuery } from '@/api/assembly'
import { type FormSet, formSetQuery, formSetsQuery, makeForms } from '@/api/paper'
import { list, moment } from '@/lib/format'
import { useAddress } from '@/lib/useAddress'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { Balance } from './Balance'
import { KeyTable } from './KeyTable'

const words = texts.paper.forms
/** So many changed questions are named. */
const NAMED = 5

/** The forms of an assessment: made from a seed, kept for good, with the keys of all side by side. */
export function Forms() {
  const id = useParams().id ?? ''
  const whole = useQuery({ ...assessmentQuery(id), staleTime: 0 })
  const sets = useQuery(formSetsQuery(id))
  const { address, set } = useAddress()
  const navigate = useNavigate()
  const shown = address.get('set') ?? sets.data?.[0]?.id ?? ''
  const chosen = useQuery({ ...formSetQuery(id, shown), enabled: shown !== '' })
  const title = whole.data?.title ?? '…'
  return (
    <Shell
      title={words.title}
      crumbs={[{ title: texts.assembly.title, to: '/assessments' }, { title, to: `/assessments/${id}` }, { title: words.title }]}
      actions={
        chosen.data ? (
          <Button look="primary" onClick={() => navigate(`/assessments/${id}/print?set=${shown}`)}>
            {words.print}
          </Button>
        ) : null
      }
    >
      {whole.isError ? <Nothing title={whole.error.message} /> : null}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls can be reached by keyboard */}
      <section aria-label={words.title} tabIndex={0} className="-outline-offset-2 h-full overflow-y-auto">
        <div className="flex flex-col gap-5 p-6 max-md:p-4">
          <p className="max-w-180 text-second">{words.about}</p>
          {whole.data?.may_change_state ? (
            <Make assessment={whole.data} isFirst={sets.data?.length === 0} onMade={(made) => set('set', made)} />
          ) : null}
          <Asked query={sets} />
          {sets.data && sets.data.length > 1 ? (
            <Field.Root>
              <Field.Label>{words.sets}</Field.Label>
              <Field.Choice className="max-w-120" value={shown} onChange={(event) => set('set', event.target.value)}>
                {sets.data.map((one) => (
                  <option key={one.id} value={one.id}>
                    {words.made({ n: one.count, at: moment(one.made_at), by: one.made_by ?? words.somebody })}
                  </option>
                ))}
              </Field.Choice>
            </Field.Root>
          ) : null}
          {shown !== '' && chosen.isPending ? <Waiting text={texts.loading} /> : null}
          {chosen.isError ? <Message look="problem">{chosen.error.message}</Message> : null}
          {chosen.data ? <Whole set={chosen.data} /> : sets.data?.length === 0 ? <p className="text-quiet">{words.none}</p> : null}
        </div>
      </section>
    </Shell>
  )
}

function Make({ assessment, isFirst, onMade }: { assessment: Assessment; isFirst: boolean; onMade: (set: string) => void }) {
  const client = useQueryClient()
  const [count, setCount] = useState(4)
  const [seed, setSeed] = useState(1)
  const [run, setRun] = useState(4)
  const make = useMutation({
    mutationFn: () => makeForms(assessment.id, { count, seed, longest_run: run }),
    onSuccess: (made) => {
      client.setQueryData(formSetQuery(assessment.id, made.id).queryKey, made)
      client.invalidateQueries({ queryKey: formSetsQuery(assessment.id).queryKey, exact: true })
      onMade(made.id)
      setSeed(seed + 1)
    },
  })
  const number = (label: string, value: number, least: number, most: number, act: (value: number) => void) => (
    <Field.Root>
      <Field.Label>{label}</Field.Label>
      <Field.Text
        type="number"
        className="w-32"
        min={least}
        max={most}
        value={value}
        onChange={(event) => {
          const next = Math.floor(Number(event.target.value))
          if (event.target.value !== '') act(Math.min(most, Math.max(least, next)))
        }}
      />
    </Field.Root>
  )
  return (
    <form
      aria-label={words.make}
      className="flex flex-col gap-2 rounded-ui border border-hairline bg-paper p-4"
      onSubmit={(event) => {
        event.preventDefault()
        if (!make.isPending) make.mutate()
      }}
    >
      <div className="flex flex-wrap items-end gap-4">
        {number(words.count, count, 1, 26, setCount)}
        {number(words.run, run, 1, 100, setRun)}
        {number(words.seed, seed, 0, Number.MAX_SAFE_INTEGER, setSeed)}
        <Button type="submit" look={isFirst ? 'primary' : 'plain'} aria-disabled={make.isPending}>
          {isFirst ? words.make : words.again}
        </Button>
      </div>
      <p className="text-caption text-second">{isFirst ? words.seedAbout : `${words.seedAbout} ${words.againAbout}`}</p>
      {make.isError ? <Message look="problem">{make.error.message}</Message> : null}
    </form>
  )
}

function Whole({ set }: { set: FormSet }) {
  const changed = set.changed.map((id) => set.titles[id] ?? '').filter(Boolean)
  return (
    <>
      <p className="text-second">
        {words.made({ n: set.forms.length, at: moment(set.made_at), by: set.made_by ?? words.somebody })}. {words.seed}: {set.seed}
      </p>
      {set.is_current ? null : <Message look="attention">{words.old}</Message>}
      {set.changed.length > 0 ? (
        <Message look="attention">
          {words.changed({
            n: set.changed.length,
            titles: list([...changed.slice(0, NAMED), ...(changed.length > NAMED ? ['…'] : [])]),
          })}
        </Message>
      ) : null}
      {set.limits.length > 0 ? (
        <section aria-label={words.limits}>
          <h2 className="font-semibold">{words.limits}</h2>
          <ul className="max-w-180 list-disc pl-5">
            {set.limits.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
        </section>
      ) : null}
      <Balance forms={set.forms} />
      <KeyTable set={set} />
    </>
  )
}
