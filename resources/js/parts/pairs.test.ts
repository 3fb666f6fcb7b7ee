import { describe, expect, it } from 'vitest'
import { homeOf, withHome, withItems } from './group/items'
import { put } from './group/sorted'
import { isPaired, pairRows, withFreshPair, withoutRow, withPairs } from './match/paired'
import { toggled } from './match/pairs'
import type { PairRule } from './pairKey'
import { withPair } from './pairKey'
import { withShares } from './SchemeSettings'
import { withTile } from './tiles/filled'
import { treeWords } from './treeWords'

const rule = (id: string, first: string, second: string, credit = '1'): PairRule => ({ id, on: [first, second], credit })
const side = (...ids: string[]) => ids.map((id) => ({ id, html: id, uses: 1 }))
const shown = (id: string, uses: number | null = 1) => ({ id, uses, body: [] })

describe('what a learner gives', () => {
  it('a tile that may be used once leaves the gap it lay in', () => {
    expect(withTile({ g1: 't1' }, 'g2', shown('t1'))).toEqual({ g2: 't1' })
    expect(withTile({ g1: 't1' }, 'g2', shown('t1', null))).toEqual({ g1: 't1', g2: 't1' })
    expect(withTile({ g1: 't1', g2: 't2' }, 'g1', shown('t2'))).toEqual({ g1: 't2' })
  })
  it('two joined again are taken apart, and nothing is joined too often', () => {
    expect(toggled([['a', 'x']], shown('a'), shown('x'))).toEqual([])
    expect(toggled([['a', 'x']], shown('a'), shown('y'))).toEqual([['a', 'y']])
    expect(toggled([['a', 'x']], shown('b'), shown('x'))).toEqual([['b', 'x']])
    expect(toggled([['a', 'x']], shown('a', null), shown('y'))).toEqual([
      ['a', 'x'],
      ['a', 'y'],
    ])
  })
  it('an item lies in one group, and a full group gives back what came first', () => {
    expect(put({ g1: ['a'] }, 'a', { ...shown('g2'), max: null })).toEqual({ g2: ['a'] })
    expect(put({ g1: ['a'] }, 'b', { ...shown('g1'), max: 1 })).toEqual({ g1: ['b'] })
    expect(put({ g1: ['a'] }, 'a', null)).toEqual({})
  })
})

describe('what an author writes', () => {
  const rules = [rule('k1', 'l1', 'r1'), rule('k2', 'l2', 'r2')]
  it('pairs are rows as long as each has one partner of its own', () => {
    expect(isPaired(side('l1', 'l2'), side('r1', 'r2', 'r3'), rules)).toBe(true)
    expect(isPaired(side('l1', 'l2'), side('r1'), [rule('k1', 'l1', 'r1'), rule('k2', 'l2', 'r1')])).toBe(false)
    expect(pairRows(side('l1', 'l2'), side('r1', 'r2', 'r3'), rules).map((row) => [row.left?.id, row.right?.id])).toEqual([
      ['l1', 'r1'],
      ['l2', 'r2'],
      [undefined, 'r3'],
    ])
  })
  it('a fresh pair has its rule, and goes with it', () => {
    const made = withFreshPair({ left: side('l1'), right: side('r1'), rules: [rules[0] as PairRule] }, 1, false)
    expect(made.rules.at(-1)?.on).toEqual(['l2', 'r2'])
    const row = pairRows(made.left, made.right, made.rules)[1]
    expect(row && withoutRow(made, row)).toMatchObject({ left: [{ id: 'l1' }], right: [{ id: 'r1' }], rules: [{ id: 'k1' }] })
  })
  it('pairs fill empty rows and make more; one side alone leaves the other', () => {
    const empty = { left: [{ id: 'l1', html: '', uses: 1 }], right: [{ id: 'r1', html: '', uses: 1 }], rules: [rule('k1', 'l1', 'r1')] }
    const shown = (now: typeof empty) => pairRows(now.left, now.right, now.rules).map((row) => [row.left?.html, row.right?.html])
    const two = withPairs(
      empty,
      0,
      [
        ['slate', 'shale'],
        ['marble', 'limestone'],
      ],
      (words) => words,
    ) as typeof empty
    expect(shown(two)).toEqual([
      ['slate', 'shale'],
      ['marble', 'limestone'],
    ])
    expect(shown(withPairs(empty, 0, [[null, 'shale']], (words) => words) as typeof empty)).toEqual([['', 'shale']])
  })
  it('an item has one home; what is said of wrong places stays', () => {
    const said = { ...rule('k9', 'i1', 'g2', '0'), feedback: { html: 'no' } }
    const moved = withHome({ items: side('i1'), rules: [rule('k1', 'i1', 'g1'), said] }, 'i1', 'g3')
    expect(moved.rules.map((one) => [one.on[1], one.credit])).toEqual([
      ['g2', '0'],
      ['g3', '1'],
    ])
    expect(homeOf(moved.rules, side('g1', 'g2', 'g3'), 'i1')).toBe('g3')
    expect(withItems({ items: [{ id: 'i1', html: '' }], rules: [rule('k1', 'i1', 'g1')] }, 'g1', 'i1', ['a', 'b']).rules).toHaveLength(2)
  })
  it('a pair is marked and unmarked, and keeps what it says', () => {
    expect(withPair([], 'a', 'x', true)).toEqual([rule('k1', 'a', 'x')])
    expect(withPair([{ ...rule('k1', 'a', 'x'), feedback: { html: 'f' } }], 'a', 'x', false)).toEqual([
      { ...rule('k1', 'a', 'x', '0'), feedback: { html: 'f' } },
    ])
    expect(withPair([rule('k1', 'a', 'x')], 'a', 'x', false)).toEqual([])
  })
  it('added credits begin as equal shares, and whole ones come back', () => {
    const part = {
      id: 'p',
      kind: 'match',
      points: 1,
      key: { rules: [rule('a', 'l1', 'r1'), rule('b', 'l2', 'r2'), rule('c', 'l3', 'r3')] },
      scoring: { scheme: 'weights' },
    }
    const shared = withShares(part)
    expect(shared.key?.rules?.map((one) => one.credit)).toEqual(['1/3', '1/3', '1/3'])
    expect(withShares({ ...shared, scoring: { scheme: 'each' } }).key?.rules?.map((one) => one.credit)).toEqual(['1', '1', '1'])
  })
})

it('a tree is said in one line', () => {
  expect(
    treeWords([
      ['p', {}, 'CO', ['sub', {}, '2']],
      ['p', {}, 'm', ['sup', {}, '-1'], ' and ', ['img', { alt: 'a bed' }]],
    ]),
  ).toBe('CO₂ m⁻¹ and a bed')
})
