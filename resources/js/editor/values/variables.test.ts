import { expect, it } from 'vitest'
import { asKind, asSentence, freeName, fromSentence } from './variables'

it.each([
  ['m != 0', { name: 'm', relation: '!=', other: '0' }],
  ['slope >= -2.5', { name: 'slope', relation: '>=', other: '-2.5' }],
  ['a < 2b + 1', { name: 'a', relation: '<', other: '2b + 1' }],
  ['y = round(y)', { name: 'y', relation: 'whole', other: '' }],
])('%s is a sentence, and the same condition again', (condition, sentence) => {
  expect(asSentence(condition)).toEqual(sentence)
  expect(fromSentence(sentence)).toBe(condition)
})

it.each(['m != 0 and b != 0', 'not (m = 2)', '0 < m < 3', 'a in [1, 2]', 'm'])('%s is a formula', (condition) =>
  expect(asSentence(condition)).toBeNull(),
)

it('takes a letter that no value or column is called', () => {
  const list = [
    { name: 'a', kind: 'integer' as const },
    { name: 't', kind: 'row' as const, columns: ['b', 'c'] },
  ]
  expect(freeName({ list })).toBe('d')
  expect(freeName(null)).toBe('a')
})

it('keeps what another kind has too', () => {
  const range = { name: 'x', kind: 'integer' as const, from: '2', to: '8', step: '2', stream: 'w' }
  expect(asKind(range, 'decimal', () => [])).toEqual({ ...range, kind: 'decimal' })
  expect(asKind({ ...range, kind: 'decimal', from: '0.5' }, 'integer', () => [])).toMatchObject({ from: '1', to: '10' })
  expect(asKind(range, 'row', () => ['p', 'q'])).toEqual({ name: 'x', kind: 'row', columns: ['p', 'q'], rows: [['', '']], stream: 'w' })
})
