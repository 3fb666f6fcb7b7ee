import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Sentence } from '@/ui/Sentence'
import { Credit } from '../Credit'
import { freshId } from '../fresh'
import { RemoveButton } from '../RemoveButton'
import { RuleFeedback } from '../RuleFeedback'
import { TextRule } from '../TextRule'
import type { TypedRule } from './targets'

const words = texts.kind.label

type Props = {
  target: string
  number: number
  all: { id: string }[]
  rules: TypedRule[]
  wrong: (id: string) => string | undefined
  onRules: (changed: (rules: { id: string }[]) => { id: string }[], place: string) => void
}

/** What else is accepted at a target where labels are typed: sentences with places to fill. */
export function TypedRules({ target, number, all, rules, wrong, onRules }: Props) {
  const change = (id: string, changed: Partial<TypedRule>, place: string) =>
    onRules((now) => now.map((rule) => (rule.id === id ? { ...rule, ...changed } : rule)), `${id} ${place}`)
  return (
    <div className="w-full pl-9">
      <ul>
        {rules.map((rule) => {
          const label = words.typedRule({ n: number })
          return (
            <li key={rule.id} className="py-1">
              <div className="flex items-start gap-2">
                <Sentence>
                  <span>{texts.parts.theAnswer}</span>
                  <TextRule on={rule.on} set={(on) => change(rule.id, { on: { ...on, piece: target } }, 'on')} label={label} />
                  <span>{texts.parts.earns}</span>
                  <Credit value={rule.credit} label={label} onChange={(credit) => change(rule.id, { credit }, 'credit')} />
                </Sentence>
                <RemoveButton name={label} onClick={() => onRules((now) => now.filter((one) => one.id !== rule.id), '')} />
              </div>
              <RuleFeedback
                value={rule.feedback}
                label={`${texts.parts.feedback}: ${label}`}
                wrong={wrong(rule.id)}
                onChange={(feedback) => change(rule.id, { feedback }, 'feedback')}
              />
            </li>
          )
        })}
      </ul>
      <Button
        look="quiet"
        className="!px-1 text-caption"
        onClick={() =>
          onRules((now) => [...now, { id: freshId(all, 'k'), on: { answer: 'is', text: [], piece: target }, credit: '1' } as TypedRule], '')
        }
      >
        {words.addRule}
      </Button>
    </div>
  )
}
