import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import type { ValuesRead } from '@/api/values'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Gap, Pick, Sentence } from '@/ui/Sentence'
import { FormulaField } from './FormulaField'
import { asSentence, fromSentence } from './variables'

const words = texts.values

type Props = {
  conditions: string[]
  names: string[]
  read: ValuesRead['conditions'] | undefined
  onChange: (conditions: string[], place: string) => void
}

/** What every roll must meet: sentences where one value is compared, formulas otherwise. */
export function Conditions({ conditions, names, read, onChange }: Props) {
  return (
    <section aria-label={words.conditions} className="flex flex-col gap-1">
      <h3 className="font-semibold">{words.conditions}</h3>
      <p className="text-caption text-quiet">{words.conditionsAbout}</p>
      <ul>
        {conditions.map((condition, i) => (
          <ConditionRow
            // biome-ignore lint/suspicious/noArrayIndexKey: a condition has no identity but its place
            key={i}
            n={i + 1}
            condition={condition}
            names={names}
            read={read?.[i]}
            onChange={(next) =>
              onChange(
                conditions.map((one, at) => (at === i ? next : one)),
                `condition ${i}`,
              )
            }
            onRemove={() =>
              onChange(
                conditions.filter((_, at) => at !== i),
                '',
              )
            }
          />
        ))}
      </ul>
      <Button look="quiet" className="self-start !px-0" onClick={() => onChange([...conditions, `${names[0] ?? 'a'} != 0`], '')}>
        {words.addCondition}
      </Button>
    </section>
  )
}

type RowProps = {
  n: number
  condition: string
  names: string[]
  read: ValuesRead['conditions'][number] | undefined
  onChange: (condition: string) => void
  onRemove: () => void
}

function ConditionRow({ n, condition, names, read, onChange, onRemove }: RowProps) {
  const [asFormula, setAsFormula] = useState(false)
  const sentence = asFormula ? null : asSentence(condition)
  const label = words.condition({ n })
  return (
    <li className="flex items-start gap-1 border-hairline border-b py-1.5">
      {sentence && names.includes(sentence.name) ? (
        <Sentence>
          <Pick
            aria-label={`${label}: ${words.subject}`}
            value={sentence.name}
            options={names.map((name): [string, string] => [name, name])}
            onChange={(name) => onChange(fromSentence({ ...sentence, name }))}
          />
          <Pick
            aria-label={`${label}: ${words.relation}`}
            value={sentence.relation}
            options={Object.entries(words.relations)}
            onChange={(relation) => onChange(fromSentence({ ...sentence, relation, other: sentence.other || '0' }))}
          />
          {sentence.relation === 'whole' ? null : (
            <Gap
              aria-label={`${label}: ${words.other}`}
              className="font-mono text-caption"
              spellCheck={false}
              value={sentence.other}
              onChange={(event) => onChange(fromSentence({ ...sentence, other: event.target.value }))}
            />
          )}
          <Button look="quiet" className="!min-h-7 !px-1 text-caption" onClick={() => setAsFormula(true)}>
            {words.asFormula}
          </Button>
          {read?.problem ? <p className="w-full text-caption text-problem">{read.problem.message}</p> : null}
        </Sentence>
      ) : (
        <FormulaField label={label} value={condition} typeset={read?.typeset} problem={read?.problem} onChange={onChange} />
      )}
      <Button
        look="quiet"
        className="!min-h-7 !px-1"
        aria-label={words.removeCondition({ n })}
        title={words.removeCondition({ n })}
        onClick={onRemove}
      >
        <Trash2 size={15} aria-hidden="true" />
      </Button>
    </li>
  )
}
