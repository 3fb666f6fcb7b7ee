import type { ReactNode } from 'react'
import type { Assessment, PrintSettings } from '@/api/assembly'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { AnswerSpaces } from './AnswerSpaces'
import { EntryRolls } from './EntryRolls'
import { SeedField } from './SeedField'

type Props = {
  assessment: Assessment
  settings: PrintSettings
  /** The papers that lie on one another. */
  which: string[]
  /** What stands for the settings as they are stored. */
  stored: string
  mayWrite: boolean
  onChange: (settings: PrintSettings) => void
  onWhich: (which: string[]) => void
}
const words = texts.assembly.printing
const PAPERS = Object.keys(words.which)

/** What is printed, and how. */
export function PrintForm({ assessment, settings, which, stored, mayWrite, onChange, onWhich }: Props) {
  const set = (change: PrintSettings) => onChange({ ...settings, ...change })
  const choice = (label: string, value: string, options: [string, string][], act: (value: string) => void) => (
    <Field.Root>
      <Field.Label>{label}</Field.Label>
      <Field.Choice value={value} disabled={!mayWrite} onChange={(event) => act(event.target.value)}>
        {options.map(([key, title]) => (
          <option key={key} value={key}>
            {title}
          </option>
        ))}
      </Field.Choice>
    </Field.Root>
  )
  const tick = (field: 'name' | 'date' | 'score' | 'points'): ReactNode => (
    <label key={field} className="flex items-center gap-2">
      <input
        type="checkbox"
        className="size-4 accent-accent"
        checked={settings[field] ?? true}
        disabled={!mayWrite}
        onChange={(event) => set({ [field]: event.target.checked })}
      />
      {words.fields[field]}
    </label>
  )
  return (
    <form
      aria-label={words.title}
      className="flex w-72 flex-none flex-col gap-4 overflow-y-auto border-hairline border-r p-4 max-md:w-full max-md:overflow-visible"
      onSubmit={(event) => event.preventDefault()}
    >
      <fieldset className="flex flex-col gap-1.5">
        <legend className="mb-1 text-caption text-second">{words.about}</legend>
        {Object.entries(words.which).map(([key, title]) => {
          const isOn = which.includes(key)
          return (
            <label key={key} className="flex items-center gap-2">
              <input
                type="checkbox"
                className="size-4 accent-accent"
                checked={isOn}
                aria-disabled={isOn && which.length === 1}
                onChange={() => {
                  const next = PAPERS.filter((one) => (one === key ? !isOn : which.includes(one)))
                  if (next.length > 0) onWhich(next)
                }}
              />
              {title}
            </label>
          )
        })}
        {which.length > 1 ? <p className="text-caption text-quiet">{words.together}</p> : null}
      </fieldset>
      <Field.Root>
        <Field.Label>{words.school}</Field.Label>
        <Field.Text
          value={settings.school ?? ''}
          maxLength={200}
          disabled={!mayWrite}
          onChange={(event) => set({ school: event.target.value })}
        />
      </Field.Root>
      <div className="flex flex-col gap-1.5">{(['name', 'date', 'score', 'points'] as const).map(tick)}</div>
      {choice(
        words.columns,
        String(settings.columns ?? 1),
        [
          ['1', '1'],
          ['2', '2'],
        ],
        (value) => set({ columns: Number(value) }),
      )}
      {choice(words.space, settings.space ?? 'usual', Object.entries(words.spaces), (space) => set({ space }))}
      {choice(words.size, settings.size ?? 'usual', Object.entries(words.sizes), (size) => set({ size }))}
      {choice(
        words.paper,
        settings.paper ?? 'A4',
        [
          ['A4', 'A4'],
          ['letter', 'Letter'],
        ],
        (paper) => set({ paper }),
      )}
      <SeedField settings={settings} mayWrite={mayWrite} onChange={onChange} />
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="size-4 accent-accent"
          checked={settings.roll === true}
          disabled={!mayWrite}
          onChange={(event) => set({ roll: event.target.checked })}
        />
        {words.rolls.onPaper}
      </label>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="size-4 accent-accent"
          checked={settings.standards === true}
          disabled={!mayWrite}
          onChange={(event) => set({ standards: event.target.checked })}
        />
        {words.standardsOnPaper}
      </label>
      <details>
        <summary className="cursor-pointer text-second">{words.rolls.title}</summary>
        <EntryRolls assessment={assessment.id} settings={settings} stored={stored} mayWrite={mayWrite} onChange={onChange} />
      </details>
      <AnswerSpaces assessment={assessment} settings={settings} mayWrite={mayWrite} onChange={onChange} />
    </form>
  )
}
