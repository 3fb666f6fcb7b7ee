import type { Part } from '@/api/question'
import { lazyAgain } from '@/lib/lazyAgain'
import { definePart } from '../definePart'
import { typedFromWord } from '../fromWord'
import { type NumberOn, sentence } from '../numberOn'
import { RuleKey } from '../RuleKey'
import { NumberLearner } from './NumberLearner'

export const number = definePart({
  kind: 'number',
  inline: true,
  canShareAnswers: true,
  fromWord: typedFromWord((word) => ({ answer: 'value', value: word })),
  fresh: (id): Part => ({
    id,
    kind: 'number',
    label: '',
    points: 1,
    settings: { width: 8 },
    key: { rules: [{ id: 'r1', on: { answer: 'value', value: '' }, credit: '1' }], default: '0' },
    scoring: { scheme: 'weights' },
  }),
  Learner: NumberLearner,
  answer: (part) => {
    const on = (part.key?.rules ?? []).find((rule) => rule.credit === '1')?.on as NumberOn | undefined
    return typeof on?.value === 'string' ? on.value : ''
  },
  said: (response) => [response.text, response.unit].filter(Boolean).join(' '),
  Key: ({ part }) => <RuleKey<NumberOn> part={part} words={(on) => withUnit(sentence(on), part)} />,
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})

/** The key's unit after the number, where one is asked for. */
function withUnit(said: string, part: Part): string {
  const units = part.settings?.units as { policy?: string; unit?: string } | undefined
  return units?.policy && units.policy !== 'none' && units.unit ? `${said} ${units.unit}` : said
}
