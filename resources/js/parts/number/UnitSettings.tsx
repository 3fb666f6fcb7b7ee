import { texts } from '@/messages'
import { Gap, Pick, Sentence } from '@/ui/Sentence'
import { Credit } from '../Credit'
import { FeedbackField } from '../FeedbackField'
import { MATTERS, type Matter, type Units } from './units'

const words = texts.parts.units

type Props = { units: Units | undefined; problem: (path: string) => string | undefined; onChange: (units: Units | undefined) => void }

/** Whether a unit is asked for, and what is earned where it is missing, another or wrong; each as a sentence. */
export function UnitSettings({ units, problem, onChange }: Props) {
  const policy = units?.policy ?? 'none'
  const set = (changed: Partial<Units>) => onChange({ ...units, policy, ...changed })
  const matter = (name: Matter) => (name === 'missing' ? policy === 'required' : name !== 'other' || units?.other === 'credit')
  return (
    <fieldset className="flex w-full flex-col gap-2">
      <legend className="sr-only">{words.title}</legend>
      <Sentence>
        <span>{words.policy}</span>
        <Pick
          aria-label={words.policy}
          value={policy}
          options={Object.entries(words.policies)}
          onChange={(next) => onChange(next === 'none' ? undefined : { ...units, policy: next })}
        />
        {policy === 'none' ? null : (
          <>
            <span>{words.unit}</span>
            <Gap
              aria-label={words.unit}
              placeholder={words.unitHint}
              maxLength={60}
              aria-invalid={problem('/unit') ? true : undefined}
              value={units?.unit ?? ''}
              onChange={(event) => set({ unit: event.target.value })}
            />
            {problem('/unit') ? <span className="text-caption text-problem">{problem('/unit')}</span> : null}
          </>
        )}
      </Sentence>
      {policy === 'none' ? null : (
        <>
          <Sentence>
            <span>{words.other}</span>
            <Pick
              aria-label={words.other}
              value={units?.other ?? 'convert'}
              options={Object.entries(words.others)}
              onChange={(other) => set({ other })}
            />
            <span>{words.choices}</span>
            <Gap
              aria-label={words.choices}
              wide
              placeholder={words.choicesHint}
              defaultValue={(units?.choices ?? []).join('; ')}
              onBlur={(event) => {
                const choices = event.target.value
                  .split(';')
                  .map((one) => one.trim())
                  .filter((one) => one !== '')
                const { choices: _, ...rest } = units ?? { policy }
                onChange(choices.length > 0 ? { ...rest, choices } : rest)
              }}
            />
            {problem('/choices') ? <span className="text-caption text-problem">{problem('/choices')}</span> : null}
          </Sentence>
          {MATTERS.filter(matter).map((name) => (
            <Sentence key={name}>
              <span>
                {words.matters[name]} {words.earns}
              </span>
              <Credit
                label={words.matters[name] ?? ''}
                value={units?.[`${name}_credit`] ?? '0'}
                onChange={(credit) => set({ [`${name}_credit`]: credit })}
                problem={problem(`/${name}_credit`)}
              />
              <span>{words.ofIt}</span>
              <div className="min-w-48 flex-1">
                <FeedbackField
                  label={`${texts.parts.feedback}: ${words.matters[name]}`}
                  value={units?.[`${name}_feedback`]}
                  onChange={(feedback) => set({ [`${name}_feedback`]: feedback })}
                />
              </div>
            </Sentence>
          ))}
        </>
      )}
    </fieldset>
  )
}
