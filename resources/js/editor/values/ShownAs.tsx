import type { ValueFormat, Variable } from '@/api/values'
import { texts } from '@/messages'
import { SettingChoice, SettingNumber } from '@/parts/PartCard'
import { control } from '@/ui/Field'

const words = texts.values

/** How a value is written where a learner reads it; its exact value goes into keys. */
export function ShownAs({ variable, onChange }: { variable: Variable; onChange: (variable: Variable, place: string) => void }) {
  const show = variable.show ?? {}
  const set = (changed: ValueFormat, place = '') => {
    const next = Object.fromEntries(Object.entries({ ...show, ...changed }).filter(([, value]) => value !== undefined && value !== ''))
    const { show: _, ...rest } = variable
    onChange(Object.keys(next).length > 0 ? { ...rest, show: next as ValueFormat } : rest, place)
  }
  const without = <K extends keyof ValueFormat>(...names: K[]): ValueFormat =>
    Object.fromEntries(names.map((name) => [name, undefined])) as ValueFormat
  const round = show.places !== undefined ? 'places' : show.figures !== undefined ? 'figures' : 'no'
  return (
    <fieldset className="flex flex-wrap gap-x-5 gap-y-2 rounded-ui bg-well px-3 py-2">
      <legend className="sr-only">{words.shownOf({ name: variable.name })}</legend>
      <SettingChoice
        label={words.as}
        value={show.as ?? 'decimal'}
        options={Object.entries(words.formats)}
        onChange={(as) => set(as === 'decimal' ? without('as') : { as: as as 'fraction' })}
      />
      {show.as === 'fraction' ? null : (
        <SettingChoice
          label={words.round}
          value={round}
          options={Object.entries(words.rounds)}
          onChange={(to) =>
            set({ ...without('places', 'figures'), ...(to === 'places' ? { places: 2 } : to === 'figures' ? { figures: 3 } : {}) })
          }
        />
      )}
      {round === 'no' || show.as === 'fraction' ? null : (
        <SettingNumber
          label={words.digits}
          value={(round === 'places' ? show.places : show.figures) ?? 0}
          min={round === 'places' ? 0 : 1}
          max={30}
          onChange={(digits) => set(round === 'places' ? { places: digits ?? 0 } : { figures: digits ?? 1 }, 'digits')}
        />
      )}
      <SettingChoice
        label={words.sign}
        value={show.sign ?? 'plain'}
        options={Object.entries(words.signs)}
        onChange={(sign) => set(sign === 'plain' ? without('sign') : { sign: sign as 'natural' })}
      />
      <label className="flex items-center gap-2">
        {words.unit}
        <input
          className={`${control} w-20`}
          maxLength={40}
          value={show.unit ?? ''}
          onChange={(event) => set(event.target.value === '' ? without('unit') : { unit: event.target.value }, 'unit')}
        />
      </label>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="accent-accent"
          checked={show.thousands === true}
          onChange={(event) => set(event.target.checked ? { thousands: true } : without('thousands'))}
        />
        {words.thousands}
      </label>
    </fieldset>
  )
}
