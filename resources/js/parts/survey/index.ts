import { lazyAgain } from '@/lib/lazyAgain'
import { definePart } from '../definePart'
import { toWords } from '../html'
import type { Row } from '../pairKey'
import { Learner } from './Learner'

export const survey = definePart({
  kind: 'survey',
  inline: false,
  fresh: (id) => ({
    id,
    kind: 'survey',
    label: '',
    points: 0,
    settings: { options: [1, 2, 3].map((n) => ({ id: `o${n}`, html: '' })), scale: null, max: 1 },
    key: { rules: [] },
    scoring: {},
  }),
  Learner,
  said: (response, part) =>
    ((response.chosen as string[] | undefined) ?? [])
      .map((id) => toWords(((part.settings?.options ?? []) as Row[]).find((one) => one.id === id)?.html ?? id))
      .join('; '),
  Key: () => null,
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
