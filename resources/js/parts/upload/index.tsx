import { lazily } from '@/lib/lazily'
import { lazyAgain } from '@/lib/lazyAgain'
import { texts } from '@/messages'
import { Waiting } from '@/ui/Message'
import { definePart } from '../definePart'

export const upload = definePart({
  kind: 'upload',
  inline: false,
  fresh: (id) => ({
    id,
    kind: 'upload',
    label: '',
    points: 5,
    settings: { types: ['image/*', 'application/pdf'], size: 10_000_000, count: 1 },
    key: { rubric: null, models: [] },
    scoring: { scheme: 'person' },
  }),
  // within its own boundary: the screen around a question must not wait for it
  Learner: lazily(() => import('./Learner'), 'Learner', <Waiting text={texts.loading} />),
  said: (response) => ((response.files as { name: string }[] | undefined) ?? []).map((file) => file.name).join(', '),
  Key: () => null,
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
