import { useId } from 'react'
import type { Bank } from '@/api/schema'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import type { Draft } from './plan'

const words = texts.carry
const hows = [
  ['copies', words.copies, words.copiesAbout],
  ['placements', words.placements, words.placementsAbout],
] as const

type Props = { draft: Draft; banks: Pick<Bank, 'slug' | 'name'>[]; onChange: (more: Partial<Draft>) => void }

/** The bank and folder that questions go to, and whether they become copies. */
export function HowAndWhere({ draft, banks, onChange }: Props) {
  const id = useId()
  return (
    <>
      <fieldset className="flex flex-col gap-3">
        <legend className="pb-2 font-semibold text-head">{words.where}</legend>
        <div className="flex gap-6">
          {[false, true].map((isNew) => (
            <label key={String(isNew)} className="flex items-center gap-2">
              <input
                type="radio"
                name={`${id}where`}
                checked={draft.isNew === isNew}
                disabled={!isNew && banks.length === 0}
                onChange={() => onChange({ isNew })}
              />
              {isNew ? words.fresh : words.thereAlready}
            </label>
          ))}
        </div>
        <div className="flex flex-wrap gap-4">
          {draft.isNew ? (
            <Field.Root>
              <Field.Label>{words.name}</Field.Label>
              <Field.Text
                className="w-80"
                maxLength={200}
                value={draft.name}
                onChange={(event) => onChange({ name: event.target.value })}
              />
            </Field.Root>
          ) : (
            <Field.Root>
              <Field.Label>{words.bank}</Field.Label>
              <Field.Choice value={draft.into} onChange={(event) => onChange({ into: event.target.value })}>
                <option value="">{words.chooseBank}</option>
                {banks.map((one) => (
                  <option key={one.slug} value={one.slug}>
                    {one.name}
                  </option>
                ))}
              </Field.Choice>
            </Field.Root>
          )}
          <Field.Root>
            <Field.Label>{words.folder}</Field.Label>
            <Field.Text
              className="w-80"
              maxLength={500}
              value={draft.folder}
              onChange={(event) => onChange({ folder: event.target.value })}
            />
            <p className="max-w-80 text-caption text-second">{words.folderAbout}</p>
          </Field.Root>
        </div>
      </fieldset>
      <fieldset className="flex flex-col gap-2">
        <legend className="pb-2 font-semibold text-head">{words.how}</legend>
        {hows.map(([how, name, about]) => (
          <label key={how} className="flex items-start gap-2">
            <input
              type="radio"
              name={`${id}how`}
              className="mt-1"
              aria-label={name}
              aria-describedby={`${id}${how}`}
              checked={draft.how === how}
              onChange={() => onChange({ how })}
            />
            <span>
              {name}
              <span id={`${id}${how}`} className="block text-caption text-second">
                {about}
              </span>
            </span>
          </label>
        ))}
      </fieldset>
    </>
  )
}
