import type { QuestionJson } from '@/api/question'
import { texts } from '@/messages'
import { SettingChoice } from '@/parts/PartCard'
import { control } from '@/ui/Field'

const words = texts.tools

type Props = { question: QuestionJson; change: (edit: (now: QuestionJson) => QuestionJson, place: string) => void }

/** What a learner may use for the question, and for how long it may be worked on. */
export function ToolSettings({ question, change }: Props) {
  const tools = question.tools ?? {}
  const set = (changed: NonNullable<QuestionJson['tools']>) =>
    change((now) => {
      const next = Object.fromEntries(
        Object.entries({ ...now.tools, ...changed }).filter(([, value]) => value !== false && value !== 'none'),
      )
      const { tools: _, ...rest } = now
      return Object.keys(next).length > 0 ? { ...rest, tools: next as NonNullable<QuestionJson['tools']> } : rest
    }, 'tools')
  const tick = (name: 'ruler' | 'protractor' | 'scratch') => (
    <label key={name} className="flex items-center gap-2">
      <input
        type="checkbox"
        className="accent-accent"
        checked={tools[name] === true}
        onChange={(event) => set({ [name]: event.target.checked })}
      />
      {words[name]}
    </label>
  )
  return (
    <fieldset className="flex flex-wrap items-center gap-x-6 gap-y-2">
      <legend className="mb-1 text-caption text-second">{words.title}</legend>
      <SettingChoice
        label={words.calculator}
        value={tools.calculator ?? 'none'}
        options={Object.entries(words.calculators)}
        onChange={(calculator) => set({ calculator: calculator as 'none' })}
      />
      {(['ruler', 'protractor', 'scratch'] as const).map(tick)}
      <label className="flex items-center gap-2">
        {words.limit}
        <input
          type="number"
          min={0.5}
          max={1440}
          step={0.5}
          placeholder={words.noLimit}
          className={`${control} w-20`}
          value={question.time_limit ? question.time_limit / 60 : ''}
          onChange={(event) => {
            const seconds = Math.round(Number(event.target.value) * 60)
            change((now) => ({ ...now, time_limit: seconds > 0 ? Math.min(86400, seconds) : null }), 'time limit')
          }}
        />
      </label>
    </fieldset>
  )
}
