import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { type BlueprintValue, valuesQuery, type Where } from '@/api/blueprints'
import { fold } from '@/lib/format'
import { texts } from '@/messages'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { ATTRIBUTES, type Attribute, lineTitle, MISSING, noneTitle } from './lineTitle'

const words = texts.blueprints

type Props = {
  blueprint: string
  banks: string[]
  title: string
  go: string
  /** What is chosen first. */
  of: Attribute
  become: keyof typeof words.add.about
  onAdd: (lines: { title: string; where: Where }[], by: string) => void
  onClose: () => void
}

/** Chooses values of an attribute that become rows, columns or rules, one each or several together. */
export function AddLines({ blueprint, banks, title, go, of: first, become, onAdd, onClose }: Props) {
  const [of, setOf] = useState<Attribute>(first)
  const [picked, setPicked] = useState<string[]>([])
  const [together, setTogether] = useState('each')
  const [looked, setLooked] = useState('')
  const [day, setDay] = useState('')
  const values = useQuery({ ...valuesQuery(blueprint, of, banks), enabled: of !== 'used' })
  const all = values.data ?? []
  const shown = looked === '' ? all : all.filter((one) => fold(lineTitle(of, one)).includes(fold(looked)))
  const chosen = all.filter((one) => picked.includes(one.value))
  const add = () => {
    if (of === 'used') {
      onAdd(
        [
          { title: words.usedSince({ day }), where: { used: [`${day}..`] } },
          { title: words.unusedSince({ day }), where: { not_used: [`${day}..`] } },
        ],
        of,
      )
    } else onAdd(together === 'one' && chosen.length > 1 ? [joined(of, chosen)] : linesOf(of, chosen, picked.includes(NONE)), of)
    onClose()
  }
  const toggle = (value: string) => setPicked((now) => (now.includes(value) ? now.filter((one) => one !== value) : [...now, value]))
  const box = (value: string, name: string, count: number | null, depth: number) => (
    <li key={value}>
      <label className="flex min-h-7 items-center gap-2 hover:bg-well" style={{ paddingInlineStart: `${depth * 1.25}rem` }}>
        <input type="checkbox" checked={picked.includes(value)} onChange={() => toggle(value)} />
        <span className="min-w-0 flex-1">{name}</span>
        {count === null ? null : <span className="tabular-nums text-caption text-second">{count}</span>}
      </label>
    </li>
  )
  return (
    <FormDialog
      title={title}
      about={words.add.about[become]}
      go={go}
      onClose={onClose}
      onSubmit={add}
      disabled={of === 'used' ? day === '' : picked.length === 0}
    >
      <Field.Root>
        <Field.Label>{words.add.of}</Field.Label>
        <Field.Choice
          value={of}
          onChange={(event) => {
            setOf(event.target.value as Attribute)
            setPicked([])
            setLooked('')
          }}
        >
          {ATTRIBUTES.map((one) => (
            <option key={one} value={one}>
              {words.attributes[one]}
            </option>
          ))}
        </Field.Choice>
      </Field.Root>
      {of === 'used' ? (
        <Field.Root>
          <Field.Label>{words.add.since}</Field.Label>
          <Field.Text type="date" value={day} onChange={(event) => setDay(event.target.value)} />
        </Field.Root>
      ) : (
        <>
          <Asked query={values} />
          {all.length > 12 ? (
            <Field.Root>
              <Field.Label hidden>{words.add.search}</Field.Label>
              <Field.Text type="search" placeholder={words.add.search} value={looked} onChange={(event) => setLooked(event.target.value)} />
            </Field.Root>
          ) : null}
          {values.data && all.length === 0 ? <p className="text-second">{words.add.nothing}</p> : null}
          <fieldset>
            <legend className="pb-1 text-caption text-second">{words.add.values}</legend>
            <div className="pb-1">
              <Button look="quiet" onClick={() => setPicked(shown.map((one) => one.value))}>
                {words.add.all}
              </Button>
              <Button look="quiet" aria-disabled={picked.length === 0} onClick={() => setPicked([])}>
                {words.add.clear}
              </Button>
            </div>
            <ul className="max-h-64 overflow-y-auto border-hairline border-y">
              {shown.map((one) => box(one.value, lineTitle(of, one), one.count, one.depth))}
              {MISSING.includes(of) && looked === '' ? box(NONE, noneTitle(of), null, 0) : null}
            </ul>
          </fieldset>
          {chosen.length > 1 ? (
            <Field.Root>
              <Field.Label>{words.add.become}</Field.Label>
              <Field.Choice value={together} onChange={(event) => setTogether(event.target.value)}>
                <option value="each">{words.add.each[become]}</option>
                <option value="one">{words.add.together[become]}</option>
              </Field.Choice>
            </Field.Root>
          ) : null}
        </>
      )}
    </FormDialog>
  )
}

const NONE = ' none'

function linesOf(of: string, values: BlueprintValue[], withNone: boolean): { title: string; where: Where }[] {
  const lines = values.map((one) => ({ title: lineTitle(of, one), where: one.where }))
  return withNone ? [...lines, { title: noneTitle(of), where: { no: [of] } }] : lines
}

/** One line of several values, any of which will do. */
function joined(of: string, values: BlueprintValue[]): { title: string; where: Where } {
  const where: Where = {}
  for (const one of values) {
    for (const [name, its] of Object.entries(one.where)) where[name] = [...(where[name] ?? []), ...its]
  }
  const levels = values.map((one) => Number(one.value))
  const isRun = of === 'difficulty' && levels.every((level, i) => i === 0 || level === (levels[i - 1] ?? 0) + 1)
  const title = isRun
    ? words.difficulties({ from: levels[0] ?? 0, to: levels.at(-1) ?? 0 })
    : values.map((one) => lineTitle(of, one)).join(', ')
  return { title, where }
}
