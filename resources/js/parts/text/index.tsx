import type { Part, Rule } from '@/api/question'
import { lazyAgain } from '@/lib/lazyAgain'
import { texts } from '@/messages'
import { definePart } from '../definePart'
import { typedFromWord } from '../fromWord'
import { RuleKey } from '../RuleKey'
import type { TypedOn } from '../TextRule'
import { TypedLearner } from '../TypedLearner'

const written = (wording: string | { expr: string }): string => (typeof wording === 'string' ? wording : `= ${wording.expr}`)

const sentence = (on: TypedOn): string =>
  [
    texts.parts.answers[on.answer] ?? on.answer,
    on.answer === 'slips' ? `${on.slips ?? 1} ${texts.parts.slipsOf({ n: on.slips ?? 1 })}` : '',
    on.answer === 'shape' ? (on.pattern ?? '') : (on.text ?? []).map(written).join(' / '),
    on.case === 'keep' ? texts.parts.cases.keep : '',
  ]
    .filter((one) => one)
    .join(' ')

export const text = definePart({
  kind: 'text',
  inline: true,
  canShareAnswers: true,
  fromWord: typedFromWord((word) => ({ answer: 'is', text: [word] })),
  fresh: (id): Part => ({
    id,
    kind: 'text',
    label: '',
    points: 1,
    settings: { width: 14 },
    key: { rules: [{ id: 'r1', on: { answer: 'is', text: [] }, credit: '1' }], default: '0' },
    scoring: { scheme: 'weights' },
  }),
  Learner: TypedLearner,
  answer: (part) => {
    const rule = (part.key?.rules as Rule<TypedOn>[] | undefined)?.find((one) => one.credit === '1')
    return rule?.on.text?.[0] === undefined ? '' : written(rule.on.text[0])
  },
  said: (response) => String(response.text ?? ''),
  Key: ({ part }) => <RuleKey<TypedOn> part={part} words={sentence} />,
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
