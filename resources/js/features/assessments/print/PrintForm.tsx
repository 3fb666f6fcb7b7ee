import { useQuery } from '@tanstack/react-query'
import { Fragment, type ReactNode } from 'react'
import { Link } from 'react-router'
import type { Assessment, PrintSettings } from '@/api/assembly'
import { type FormSet, formSetsQuery } from '@/api/paper'
import { moment } from '@/lib/format'
import { texts } from '@/messages'
import { DETAILS, useDetails } from '@/question/details/useDetails'
import { Field } from '@/ui/Field'
import { AnswerSpaces } from './AnswerSpaces'
import { EntryRolls } from './EntryRolls'
import { LayoutFields } from './LayoutFields'
import { Receipts } from './Receipts'
import { SeedField } from './SeedField'
import { Templates } from './Templates'

type Props = {
  assessment: Assessment
  settings: PrintSettings
  /** The papers that lie on one another. */
  which: string[]
  /** The set of forms that is printed; '' for the assessment as it stands. */
  set: string
  chosen: FormSet | null
  /** "A,C"; '' for all. */
  letters: string
  /** What stands for the settings as they are stored. */
  stored: string
  mayWrite: boolean
  onChange: (settings: PrintSettings) => void
  onWhich: (which: string[]) => void
  onSet: (set: string) => void
  onLetters: (letters: string) => void
}
const printing = texts.assembly.printing
const words = texts.paper.print
const PAPERS = Object.keys(printing.which)

/** What is printed, and how. */
export function PrintForm(props: Props) {
  const { assessment, settings, stored, mayWrite, set, onChange } = props
  return (
    <form
      aria-label={printing.title}
      className="flex w-72 flex-none flex-col gap-4 overflow-y-auto border-hairline border-r p-4 max-md:w-full max-md:overflow-visible"
      onSubmit={(event) => event.preventDefault()}
    >
      <Papers {...props} />
      <Version {...props} />
      <Templates assessment={assessment} settings={settings} mayWrite={mayWrite} onChange={onChange} />
      <LayoutFields settings={settings} ofForms={set !== ''} mayWrite={mayWrite} onChange={onChange} />
      {set === '' ? (
        <>
          <SeedField settings={settings} mayWrite={mayWrite} onChange={onChange} />
          <details>
            <summary className="cursor-pointer text-second">{printing.rolls.title}</summary>
            <EntryRolls assessment={assessment.id} settings={settings} stored={stored} mayWrite={mayWrite} onChange={onChange} />
          </details>
        </>
      ) : null}
      <AnswerSpaces assessment={assessment} settings={settings} mayWrite={mayWrite} onChange={onChange} />
      <Receipts assessment={assessment.id} />
    </form>
  )
}

export function Box({
  label,
  checked,
  disabled,
  onChange,
}: {
  label: ReactNode
  checked: boolean
  disabled?: boolean
  onChange: (on: boolean) => void
}) {
  return (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="size-4 accent-accent"
        checked={checked}
        aria-disabled={disabled}
        onChange={(event) => !disabled && onChange(event.target.checked)}
      />
      {label}
    </label>
  )
}

function Papers({ which, set, onWhich }: Props) {
  const offered = PAPERS.filter((one) => one !== 'keys' || set !== '')
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 text-caption text-second">{printing.about}</legend>
      {offered.map((key) => {
        const isOn = which.includes(key)
        const isLast = isOn && which.filter((one) => offered.includes(one)).length === 1
        return (
          <Fragment key={key}>
            <Box
              label={printing.which[key]}
              checked={isOn}
              disabled={isLast}
              onChange={() => onWhich(PAPERS.filter((one) => (one === key ? !isOn : which.includes(one))))}
            />
            {key === 'author' && isOn ? <Details /> : null}
          </Fragment>
        )
      })}
      {which.length > 1 ? <p className="text-caption text-quiet">{printing.together}</p> : null}
    </fieldset>
  )
}

/** What stands beside questions in the author's copy; the same as in banks and assessments. */
function Details() {
  const { has, toggle } = useDetails()
  return (
    <fieldset className="ml-6 flex flex-col gap-1.5 border-hairline border-l pl-3">
      <legend className="sr-only">{texts.details.about}</legend>
      {DETAILS.map((detail) => (
        <Box key={detail} label={texts.details.names[detail]} checked={has(detail)} onChange={() => toggle(detail)} />
      ))}
      <p className="text-caption text-quiet">{texts.details.hint}</p>
    </fieldset>
  )
}

/** The assessment as it stands, or forms of it: all, or some. */
function Version({ assessment, set, chosen, letters, onSet, onLetters }: Props) {
  const sets = useQuery(formSetsQuery(assessment.id)).data ?? []
  const all = chosen?.forms.map((form) => form.letter) ?? []
  const on = letters === '' ? all : letters.split(',')
  return (
    <fieldset className="flex flex-col gap-2">
      <Field.Root>
        <Field.Label>{words.of}</Field.Label>
        <Field.Choice
          value={set}
          onChange={(event) => {
            onSet(event.target.value)
            onLetters('')
          }}
        >
          <option value="">{words.master}</option>
          {sets.map((one) => (
            <option key={one.id} value={one.id}>
              {words.forms({ at: moment(one.made_at) })}
            </option>
          ))}
        </Field.Choice>
      </Field.Root>
      {all.length > 0 ? (
        <div className="flex flex-wrap gap-x-3 gap-y-1">
          {all.map((letter) => (
            <Box
              key={letter}
              label={letter}
              checked={on.includes(letter)}
              disabled={on.length === 1 && on.includes(letter)}
              onChange={(isOn) => {
                const next = all.filter((one) => (one === letter ? isOn : on.includes(one)))
                onLetters(next.length === all.length ? '' : next.join(','))
              }}
            />
          ))}
        </div>
      ) : null}
      <Link to={`/assessments/${assessment.id}/forms`} className="w-fit text-accent underline">
        {words.makeForms}
      </Link>
    </fieldset>
  )
}
