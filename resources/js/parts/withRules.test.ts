import { expect, it } from 'vitest'
import type { Part } from '@/api/question'
import { withRules } from './withRules'

const part = { id: 'p1', kind: 'text', points: 1, scoring: { scheme: 'person', cost: '1' } } as unknown as Part
const rule = { id: 'r1', on: {}, credit: '1' }

it('is scored once something is known to be right', () => {
  expect(withRules(part, [rule]).scoring).toEqual({ cost: '1' })
})

it('stays with a person where somebody has said so', () => {
  const said = { ...part, key: { rules: [rule] } } as unknown as Part
  expect(withRules(said, [rule, { ...rule, id: 'r2' }]).scoring?.scheme).toBe('person')
  expect(withRules(part, []).scoring?.scheme).toBe('person')
})
