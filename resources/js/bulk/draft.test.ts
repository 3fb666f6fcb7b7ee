import { expect, test } from 'vitest'
import { type Draft, emptyDraft, toChange } from './draft'

const draft = (some: Partial<Draft>) => toChange({ ...emptyDraft, ...some })

test('nothing filled in is no change', () => {
  expect(toChange(emptyDraft)).toBeNull()
  expect(draft({ points: '  ', language: ' ', cost: '1/5' })).toBeNull()
})

test('what is no number is sent as it was typed, so that nothing is emptied by mistake', () => {
  expect(draft({ record: { minutes: 'ten' }, points: 'two' })).toEqual({ record: { minutes: { set: 'ten' } }, content: { points: 'two' } })
  expect(draft({ record: { minutes: '2,5' } })).toEqual({ record: { minutes: { set: 2.5 } } })
})

test('only what is filled in is changed, numbers as numbers, what is emptied as nothing', () => {
  expect(draft({ record: { difficulty: '3', level: 'Year 9', source: null } })).toEqual({
    record: { difficulty: { set: 3 }, level: { set: 'Year 9' }, source: { set: null } },
  })
  expect(draft({ words: { ...emptyDraft.words, removeTags: ['old'] } })).toEqual({ record: { tags: { add: [], remove: ['old'] } } })
  expect(draft({ tries: 'any' })).toEqual({ content: { attempts: { allowed: null, cost: '0' } } })
  expect(draft({ tries: '3', cost: '1/5', shuffle: 'no', points: '2.5' })).toEqual({
    content: { attempts: { allowed: 3, cost: '1/5' }, shuffle: false, points: 2.5 },
  })
})
