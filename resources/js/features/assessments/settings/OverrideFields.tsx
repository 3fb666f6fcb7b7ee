import { useQuery } from '@tanstack/react-query'
import { type ReactNode, useId } from 'react'
import type { EntryOverride } from '@/api/assembly'
import { fetchRubric, rubricsQuery } from '@/api/rubrics'
import { texts } from '@/messages'
import { control } from '@/ui/Field'

const words = texts.assembly.settings

type Props = {
  value: EntryOverride
  onChange: (next: EntryOverride) => void
  disabled: boolean
  /** The bank whose rubrics are offered. */
  bank: string
}

/** What is asked otherwise than a question says; what is left as it is comes from the section, the assessment, or the question. */
export function OverrideFields({ value, onChange, disabled, bank }: Props) {
  const set = <K extends keyof EntryOverride>(name: K, next: EntryOverride[K] | undefined) => {
    const { [name]: _, ...rest } = value
    onChange(next === undefined ? rest : { ...rest, [name]: next })
  }
  const rubrics = useQuery({ ...rubricsQuery(bank), enabled: !disabled }).data ?? []
  const tools = value.tools ?? null
  const allowed = value.attempts ? (value.attempts.allowed === null ? 'any' : String(value.attempts.allowed ?? 1)) : ''
  const follows = String((value.rubric?.link as { rubric?: string } | undefined)?.rubric ?? '')
  return (
    <div className="grid grid-cols-[repeat(auto-fill,minmax(140px,1fr))] gap-3">
      <Labelled label={words.attempts}>
        {(id) => (
          <select
            id={id}
            className={control}
            disabled={disabled}
            value={allowed}
            onChange={({ target }) =>
              set(
                'attempts',
                target.value === '' ? undefined : { ...value.attempts, allowed: target.value === 'any' ? null : Number(target.value) },
              )
            }
          >
            <option value="">{words.asQuestion}</option>
            {[1, 2, 3, 4, 5, ...(Number(allowed) > 5 ? [Number(allowed)] : [])].map((n) => (
              <option key={n} value={n}>
                {words.times({ n })}
              </option>
            ))}
            <option value="any">{words.anyTimes}</option>
          </select>
        )}
      </Labelled>
      <Labelled label={words.feedback}>
        {(id) => (
          <select
            id={id}
            className={control}
            disabled={disabled}
            value={value.feedback ?? ''}
            onChange={({ target }) => set('feedback', target.value === '' ? undefined : (target.value as 'never'))}
          >
            <option value="">{words.asWhole}</option>
            {Object.entries(words.timings).map(([key, name]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        )}
      </Labelled>
      <Labelled label={words.minutes}>
        {(id) => (
          <input
            id={id}
            type="number"
            min={0}
            max={10000}
            step="any"
            className={control}
            disabled={disabled}
            placeholder={words.asQuestion}
            value={value.minutes ?? ''}
            onChange={({ target }) => set('minutes', target.value === '' ? undefined : Number(Number(target.value).toFixed(4)))}
          />
        )}
      </Labelled>
      <Labelled label={words.shuffle}>
        {(id) => (
          <select
            id={id}
            className={control}
            disabled={disabled}
            value={value.shuffle === undefined || value.shuffle === null ? '' : String(value.shuffle)}
            onChange={({ target }) => set('shuffle', target.value === '' ? undefined : target.value === 'true')}
          >
            <option value="">{words.asQuestion}</option>
            <option value="true">{words.shuffled}</option>
            <option value="false">{words.asWritten}</option>
          </select>
        )}
      </Labelled>
      <Labelled label={words.calculator}>
        {(id) => (
          <select
            id={id}
            className={control}
            disabled={disabled}
            value={tools === null ? '' : (tools.calculator ?? 'none')}
            onChange={({ target }) => set('tools', target.value === '' ? undefined : { ...tools, calculator: target.value as 'none' })}
          >
            <option value="">{words.asQuestion}</option>
            {Object.entries(texts.tools.calculators).map(([key, name]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        )}
      </Labelled>
      {rubrics.length > 0 || follows !== '' ? (
        <Labelled label={words.rubric}>
          {(id) => (
            <select
              id={id}
              className={control}
              disabled={disabled}
              value={follows}
              onChange={async ({ target }) => {
                if (target.value === '') return set('rubric', undefined)
                const { rubric, revision } = await fetchRubric(target.value)
                set('rubric', { ...rubric, link: { rubric: target.value, revision } })
              }}
            >
              <option value="">{words.asQuestion}</option>
              {follows !== '' && !rubrics.some((one) => one.id === follows) ? <option value={follows}>{words.otherRubric}</option> : null}
              {rubrics.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.title}
                </option>
              ))}
            </select>
          )}
        </Labelled>
      ) : null}
      {tools === null ? null : (
        <fieldset className="col-span-full flex flex-wrap gap-x-4 gap-y-1">
          <legend className="text-caption text-second">{texts.tools.title}</legend>
          {(['ruler', 'protractor', 'scratch'] as const).map((name) => (
            <label key={name} className="flex items-center gap-2">
              <input
                type="checkbox"
                className="accent-accent"
                disabled={disabled}
                checked={tools[name] === true}
                onChange={({ target }) => set('tools', { ...tools, [name]: target.checked })}
              />
              {texts.tools[name]}
            </label>
          ))}
        </fieldset>
      )}
    </div>
  )
}

/** A label and its control. */
export function Labelled({ label, children }: { label: string; children: (id: string) => ReactNode }) {
  const id = useId()
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="text-caption text-second">
        {label}
      </label>
      {children(id)}
    </div>
  )
}
