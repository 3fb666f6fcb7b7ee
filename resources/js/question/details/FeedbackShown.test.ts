import { expect, it } from 'vitest'
import type { Presentation, QuestionJson } from '@/api/question'
import { saidBy } from './FeedbackShown'

const said = (html: string) => ({ html, show: 'both' as const })
const choice = (id: string, label = '') => ({
  id,
  kind: 'choice',
  label,
  points: 1,
  settings: {
    options: [
      { id: 'a', html: 'Slate' },
      { id: 'b', html: 'Chalk' },
    ],
  },
  key: {
    rules: [
      { id: 'r1', on: 'a', credit: '1' },
      { id: 'r2', on: 'b', credit: '0', feedback: said('Acid would tell.') },
    ],
  },
  feedback: { right: said('It splits.'), wrong: '' as const },
})
const shownAs = (question: QuestionJson) => ({
  parts: question.parts.map(({ id }) => ({ id, settings: { labels: 'A', options: [{ id: 'b' }, { id: 'a' }] } })),
})
const all = (json: unknown) => saidBy(json as QuestionJson, shownAs(json as QuestionJson) as unknown as Presentation)

it('lists what is said for answers, parts, the whole, and on request', () => {
  const one = { parts: [choice('p1')], feedback: { general: said('Read on.') }, hints: [{ id: 'h1', html: 'Scratch it.' }] }
  // the sign is that of the sheet that is shown: chalk came first there
  expect(all(one)).toEqual([
    { when: 'Option A', html: 'Acid would tell.' },
    { when: 'Right', html: 'It splits.' },
    { when: 'Always', html: 'Read on.' },
    { when: 'Hint', html: 'Scratch it.' },
  ])
})

it('names the part where there are several, and what only its kind knows', () => {
  const speed = {
    id: 'p2',
    kind: 'number',
    label: '',
    points: 1,
    settings: { units: { policy: 'required', unit: 'm/s', missing_feedback: said('Metres a what?') } },
    key: { rules: [] },
  }
  expect(all({ parts: [choice('p1', 'a'), speed] }).map(({ when }) => when)).toEqual(['a, Option A', 'a, Right', '(2), Unit left out'])
  expect(all({ parts: [{ ...choice('p1'), key: { rules: [] }, feedback: {} }] })).toEqual([])
})
