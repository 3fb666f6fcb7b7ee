import { lazily } from '@/lib/lazily'
import { lazyAgain } from '@/lib/lazyAgain'
import { texts } from '@/messages'
import { Waiting } from '@/ui/Message'
import { definePart } from '../definePart'
import type { AreaRule } from './areas'

const words = texts.kind.point

export const point = definePart({
  kind: 'point',
  inline: false,
  fresh: (id) => ({
    id,
    kind: 'point',
    label: '',
    points: 1,
    settings: { picture: null, max: 1 },
    key: { rules: [], default: '0' },
    scoring: { scheme: 'weights' },
  }),
  // within its own boundary: the screen around a question must not wait for it
  Learner: lazily(() => import('./Learner'), 'Learner', <Waiting text={texts.loading} />),
  ruleNamed: (rule) => `“${(rule as AreaRule).note || words.area({ n: Number(rule.id.replace(/\D/g, '')) || 1 })}”`,
  said: (response) => ((response.points as [number, number][] | undefined) ?? []).map(([x, y]) => `${x}, ${y}`).join('; '),
  Key: () => null,
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
