import type { Feedback, Part } from '@/api/question'
import { lazyAgain } from '@/lib/lazyAgain'
import { texts } from '@/messages'
import { definePart } from '../definePart'
import { typedFromWord } from '../fromWord'
import { type NumberOn, sentence } from '../numberOn'
import { RuleKey } from '../RuleKey'
import { NumberLearner } from './NumberLearner'
import { MATTERS, type Units } from './units'

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
  remarks,
  Key: ({ part }) => <RuleKey<NumberOn> part={part} words={(on) => withUnit(sentence(on), part)} />,
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})

/** What is said of units and of figures. */
function remarks(part: Part) {
  const { units, figures } = (part.settings ?? {}) as { units?: Units; figures?: { feedback?: Feedback } }
  return [
    ...MATTERS.map((matter) => ({ about: texts.parts.units.matters[matter] ?? '', feedback: units?.[`${matter}_feedback`] })),
    { about: texts.parts.figures.asked, feedback: figures?.feedback },
  ]
}

/** The key's unit after the number, where one is asked for. */
function withUnit(said: string, part: Part): string {
  const units = part.settings?.units as { policy?: string; unit?: string } | undefined
  return units?.policy && units.policy !== 'none' && units.unit ? `${said} ${units.unit}` : said
}
