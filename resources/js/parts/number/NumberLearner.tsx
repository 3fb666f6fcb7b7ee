import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { understoodQuery } from '@/api/values'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import type { LearnerProps } from '../definePart'
import { TypedLearner } from '../TypedLearner'

const words = texts.parts.units

/** A number to type; where a unit is asked for, it is chosen beside it, or typed and shown as it is read. */
export function NumberLearner(props: LearnerProps) {
  const units = props.part.settings.units as { choices: string[] } | undefined
  if (units === undefined) return <TypedLearner {...props} numeric />
  if (units.choices.length > 0) return <WithChoice {...props} choices={units.choices} />
  return <WithUnit {...props} />
}

function WithChoice({ choices, ...props }: LearnerProps & { choices: string[] }) {
  const { response, onChange, disabled } = props
  const given = (changed: { text?: unknown; unit?: string }) => {
    const { text, unit } = { ...response, ...changed }
    onChange({ text: String(text ?? ''), ...(unit ? { unit } : {}) })
  }
  return (
    <>
      <TypedLearner {...props} numeric onChange={given} />
      <select
        aria-label={words.choose}
        disabled={disabled}
        className="rounded-t-ui border-0 border-edge border-b-2 bg-well px-2 py-0.5 font-serif text-question"
        value={String(response?.unit ?? '')}
        onChange={(event) => given({ unit: event.target.value })}
      >
        <option value="">{words.none}</option>
        {choices.map((unit) => (
          <option key={unit} value={unit}>
            {unit}
          </option>
        ))}
      </select>
    </>
  )
}

function WithUnit(props: LearnerProps) {
  const [language, setLanguage] = useState('und')
  const typed = useDebouncedValue(String(props.response?.text ?? '').trim(), 300)
  const read = useQuery({
    ...understoodQuery(typed, language, props.part.settings.notations as string[] | undefined),
    enabled: typed !== '' && !props.disabled && props.result === undefined,
  })
  return (
    <span
      className="inline-flex max-w-full flex-wrap items-baseline"
      ref={(element) => setLanguage(element?.closest('[lang]')?.getAttribute('lang') ?? 'und')}
    >
      <TypedLearner {...props} part={{ ...props.part, label: props.part.label || texts.parts.typesNumber }} numeric={false} />
      <span role="status" className="font-sans text-caption text-second">
        {typed === '' || props.result
          ? ''
          : read.data?.understood
            ? words.understood({ what: read.data.understood })
            : (read.data?.problem ?? '')}
      </span>
    </span>
  )
}
