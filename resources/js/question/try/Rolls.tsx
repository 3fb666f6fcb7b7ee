import type { QuestionJson } from '@/api/question'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import type { Trying } from './useTry'

/** The values of this roll, another one, and what it changed. */
export function Rolls({ attempt, question, withSeed }: { attempt: Trying; question: QuestionJson; withSeed: boolean }) {
  const values = Object.entries(attempt.shown.data?.roll?.values ?? {})
  const shuffled = question.parts.some((part) => part.settings?.shuffle === true)
  const varies = (question.variables?.list.length ?? 0) > 0
  if (!varies && values.length === 0 && !shuffled) return null
  return (
    <fieldset className="flex flex-col gap-2 border-hairline border-t pt-3 text-caption">
      <legend className="sr-only">{texts.try.values}</legend>
      <div className="flex flex-wrap items-center gap-2">
        <Button onClick={() => attempt.roll()}>{varies || values.length > 0 ? texts.try.roll : texts.try.shuffleAgain}</Button>
        {withSeed ? (
          <label className="flex items-center gap-1.5 text-second">
            {texts.try.seed}
            <input
              type="number"
              min={0}
              className={`${control} w-24`}
              value={attempt.seed}
              onChange={(event) => attempt.roll(Math.floor(Number(event.target.value)))}
            />
          </label>
        ) : null}
      </div>
      {values.length > 0 ? (
        <dl className="grid grid-cols-[auto_1fr] gap-x-4">
          {values.map(([name, value]) => {
            const change = attempt.changes?.find((one) => one.name === name)
            return (
              <div key={name} className="contents">
                <dt className="font-mono text-information">{name}</dt>
                <dd>
                  {change
                    ? change.before === change.after
                      ? texts.try.unchanged({ value: value.written })
                      : texts.try.changed({ before: change.before, after: change.after })
                    : value.written}
                </dd>
              </div>
            )
          })}
        </dl>
      ) : null}
    </fieldset>
  )
}
