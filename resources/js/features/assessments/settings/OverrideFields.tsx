import { useQuery } from '@tanstack/react-query'
import { useRef } from 'react'
import type { EntryOverride } from '@/api/assembly'
import { fetchRubric, rubricsQuery } from '@/api/rubrics'
import { plainProblem } from '@/lib/plainProblem'
import { texts } from '@/messages'
import { control } from '@/ui/Field'
import { useToast } from '@/ui/Toasts'
import { AttemptsChoice, Choice, Labelled, TickField } from './Choice'

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
  const tell = useToast()
  // a rubric takes a moment to fetch: what is set meanwhile must not be undone by it
  const now = useRef({ value, onChange })
  now.current = { value, onChange }
  const set = <K extends keyof EntryOverride>(name: K, next: EntryOverride[K] | undefined) => {
    const { [name]: _, ...rest } = now.current.value
    now.current.onChange(next === undefined ? rest : { ...rest, [name]: next })
  }
  const rubrics = useQuery({ ...rubricsQuery(bank), enabled: !disabled }).data ?? []
  const tools = value.tools ?? null
  const follows = String((value.rubric?.link as { rubric?: string } | undefined)?.rubric ?? '')
  const wanted = useRef('')
  const takeRubric = async (id: string) => {
    wanted.current = id
    if (id === '') return set('rubric', undefined)
    try {
      const { rubric, revision } = await fetchRubric(id)
      if (wanted.current === id) set('rubric', { ...rubric, link: { rubric: id, revision } })
    } catch (problem) {
      tell({ text: plainProblem(problem), look: 'problem' })
    }
  }
  return (
    <div className="grid grid-cols-[repeat(auto-fill,minmax(140px,1fr))] gap-3">
      <AttemptsChoice value={value.attempts} disabled={disabled} onChange={(next) => set('attempts', next)} />
      <Choice
        label={words.feedback}
        value={value.feedback ?? ''}
        options={[['', words.asWhole], ...Object.entries(words.timings)]}
        disabled={disabled}
        onChange={(next) => set('feedback', next === '' ? undefined : (next as 'never'))}
      />
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
      <Choice
        label={words.shuffle}
        value={value.shuffle === undefined || value.shuffle === null ? '' : String(value.shuffle)}
        options={[
          ['', words.asQuestion],
          ['true', words.shuffled],
          ['false', words.asWritten],
        ]}
        disabled={disabled}
        onChange={(next) => set('shuffle', next === '' ? undefined : next === 'true')}
      />
      <Choice
        label={words.calculator}
        value={tools === null ? '' : (tools.calculator ?? 'none')}
        options={[['', words.asQuestion], ...Object.entries(texts.tools.calculators)]}
        disabled={disabled}
        onChange={(next) => set('tools', next === '' ? undefined : { ...tools, calculator: next as 'none' })}
      />
      {rubrics.length > 0 || follows !== '' ? (
        <Choice
          label={words.rubric}
          value={follows}
          options={[
            ['', words.asQuestion],
            ...(follows !== '' && !rubrics.some((one) => one.id === follows) ? [[follows, words.otherRubric] as [string, string]] : []),
            ...rubrics.map((one): [string, string] => [one.id, one.title]),
          ]}
          disabled={disabled}
          onChange={takeRubric}
        />
      ) : null}
      {tools === null ? null : (
        <fieldset className="col-span-full flex flex-wrap gap-x-4 gap-y-1">
          <legend className="text-caption text-second">{texts.tools.title}</legend>
          {(['ruler', 'protractor', 'scratch'] as const).map((name) => (
            <TickField
              key={name}
              label={texts.tools[name]}
              checked={tools[name] === true}
              disabled={disabled}
              onChange={(checked) => set('tools', { ...tools, [name]: checked })}
            />
          ))}
        </fieldset>
      )}
    </div>
  )
}
