import { expect, it } from 'vitest'
import { sharedPrefix, statementName } from './statementName'

it.each([
  [['FEF.1', 'FEF.1.1', 'FEF.2'], 'FEF.'],
  [['FEF.1', 'FEF.1.1', 'FEF.10'], 'FEF.'],
  [['A-1', 'B-1'], ''],
  [['FEF.1'], ''],
  [['', 'N1', 'N2'], ''],
  [[], ''],
])('finds what the codes %j begin with: %s', (codes, prefix) => {
  expect(sharedPrefix(codes)).toBe(prefix)
})

it('calls a statement by its code and its short title, or else by its words', () => {
  expect(statementName({ code: 'FEF.1', title: 'Rocks', text: 'Knows rocks.' })).toBe('FEF.1 Rocks')
  expect(statementName({ code: '', title: '', text: 'Knows rocks.' })).toBe('Knows rocks.')
})
