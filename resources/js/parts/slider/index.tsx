import { lazyAgain } from '@/lib/lazyAgain'
import { definePart } from '../definePart'
import { type NumberOn, sentence } from '../numberOn'
import { RuleKey } from '../RuleKey'
import { Learner } from './Learner'
import { shownValue } from './scale'

export const slider = definePart({
  kind: 'slider',
  inline: false,
  fresh: (id) => ({
    id,
    kind: 'slider',
    label: '',
    points: 1,
    settings: { from: '0', to: '10', step: '1', captions: { from: '', to: '' } },
    key: { rules: [{ id: 'r1', on: { answer: 'value', value: '' }, credit: '1' }], default: '0' },
    scoring: { scheme: 'weights' },
  }),
  Learner,
  said: (response) => shownValue(String(response.value ?? '')),
  Key: ({ part }) => <RuleKey<NumberOn> part={part} words={sentence} />,
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
