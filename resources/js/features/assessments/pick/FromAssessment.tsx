import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { assessmentQuery, assessmentsQuery, type Entry } from '@/api/assembly'
import { entriesOf, isDraw, withCopies } from '@/lib/assessment'
import { texts } from '@/messages'
import { kindWords } from '@/parts/words'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'
import type { Picking } from './usePicking'

const words = texts.assembly.pick

/** Some entries of another assessment, as they stand there: with their points, their settings, and what was varied. */
export function FromAssessment({ picking, onClose }: { picking: Picking; onClose: () => void }) {
  const { document, section, taken } = picking
  const tell = useToast()
  const all = (useQuery(assessmentsQuery).data ?? []).filter((one) => one.id !== document.stored.id)
  const [chosen, setChosen] = useState('')
  const [ticked, setTicked] = useState<string[]>([])
  const other = useQuery({ ...assessmentQuery(chosen), enabled: chosen !== '' })
  const isTaken = (entry: Entry) => !isDraw(entry) && taken.has(entry.question)
  const mayTake = (entry: Entry) => {
    const fact = other.data?.entries[entry.id]
    return fact !== undefined && !fact.gone && !fact.hidden && !isTaken(entry)
  }
  const open = other.data ? entriesOf(other.data.content).filter(mayTake) : []
  const wanted = open.filter((entry) => ticked.includes(entry.id))
  const flip = (id: string) => setTicked((now) => (now.includes(id) ? now.filter((one) => one !== id) : [...now, id]))
  const add = () => {
    document.change((now) => withCopies(now, section, wanted))
    tell({ text: words.added({ n: wanted.length }), undo: document.undo })
    onClose()
  }
  return (
    <FormDialog
      wide
      title={words.anotherTitle}
      about={words.anotherAbout}
      go={words.take({ n: wanted.length })}
      disabled={wanted.length === 0}
      onSubmit={add}
      onClose={onClose}
    >
      <Field.Root>
        <Field.Label>{words.anotherFrom}</Field.Label>
        <Field.Choice
          value={chosen}
          onChange={(event) => {
            setChosen(event.target.value)
            setTicked([])
          }}
        >
          <option value="">{texts.assembly.compared.pick}</option>
          {all.map((one) => (
            <option key={one.id} value={one.id}>
              {one.title} ({one.bank_name})
            </option>
          ))}
        </Field.Choice>
      </Field.Root>
      {chosen === '' ? null : <Asked query={other} />}
      {other.data ? (
        <>
          <p>
            <Button onClick={() => setTicked(open.map((entry) => entry.id))}>{texts.intake.selectAll({ n: open.length })}</Button>
          </p>
          {other.data.content.sections.map((one, i) => (
            <fieldset key={one.id} className="flex flex-col">
              <legend className="py-1 font-semibold">{one.title || texts.assembly.section({ n: i + 1 })}</legend>
              {one.entries.map((entry) => {
                const fact = other.data.entries[entry.id]
                const may = mayTake(entry)
                return (
                  <label key={entry.id} className={`flex items-start gap-2 border-hairline border-t py-1 ${may ? '' : 'text-quiet'}`}>
                    <input
                      type="checkbox"
                      className="mt-1 size-4 accent-accent"
                      disabled={!may}
                      checked={ticked.includes(entry.id)}
                      onChange={() => flip(entry.id)}
                    />
                    <span className="min-w-0 flex-1">
                      {fact?.hidden ? texts.assembly.hidden : fact?.title || (isDraw(entry) ? entry.title || texts.assembly.draw : '…')}{' '}
                      <span className="text-caption text-second">
                        {isDraw(entry) ? texts.assembly.drawn({ n: entry.draw, pool: fact?.pool ?? 0 }) : kindWords(fact?.kinds ?? [])}
                        {isTaken(entry) ? ` · ${words.isTaken}` : ''}
                      </span>
                    </span>
                    <span className="text-second tabular-nums">{texts.points({ n: fact?.points ?? 0 })}</span>
                  </label>
                )
              })}
            </fieldset>
          ))}
        </>
      ) : null}
    </FormDialog>
  )
}
