import { lazily } from '@/lib/lazily'
import { lazyAgain } from '@/lib/lazyAgain'
import { plainOf } from '@/lib/plainOf'
import { texts } from '@/messages'
import { Waiting } from '@/ui/Message'
import { definePart } from '../definePart'

const MOST_SAID = 80

export const essay = definePart({
  kind: 'essay',
  inline: false,
  fresh: (id) => ({
    id,
    kind: 'essay',
    label: '',
    points: 6,
    settings: { lines: 12, format: 'plain', words: { min: null, max: null }, prompts: [], start: '', spelling: true },
    key: { rubric: null, models: [] },
    scoring: { scheme: 'person' },
  }),
  // within its own boundary: the screen around a question must not wait for it
  Learner: lazily(() => import('./Learner'), 'Learner', <Waiting text={texts.loading} />),
  said: (response, part) => {
    const text = String(response.text ?? '')
    const words = (part.settings?.format === 'rich' ? plainOf(text) : text).trim()
    return words.length > MOST_SAID ? `${words.slice(0, MOST_SAID)}…` : words
  },
  Key: () => null,
  Editor: lazyAgain(() => import('./Editor').then((module) => ({ default: module.Editor }))),
})
