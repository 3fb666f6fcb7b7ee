import { describe, expect, it } from 'vitest'
import { withKey, withRule } from '../ruleOn'
import { withRows } from '../withRows'
import { freshId } from './optionKey'

const rules = [
  { id: 'r1', on: 'a', credit: '1' },
  { id: 'r2', on: 'b', credit: '1/2', feedback: { html: '<p>half</p>' } },
]

describe('the key of a choice', () => {
  it('moves where one may be chosen, and what was said stays', () => {
    expect(withKey(rules, 'b', false)).toEqual([{ id: 'r2', on: 'b', credit: '1', feedback: { html: '<p>half</p>' } }])
    expect(withKey(withKey(rules, 'b', false), 'c', false)).toEqual([
      { id: 'r2', on: 'b', credit: '0', feedback: { html: '<p>half</p>' } },
      { id: 'r1', on: 'c', credit: '1' },
    ])
  })

  it('is set and taken off where several may', () => {
    expect(withKey(rules, 'c', true).map((rule) => [rule.on, rule.credit])).toEqual([
      ['a', '1'],
      ['b', '1/2'],
      ['c', '1'],
    ])
    expect(withKey(rules, 'a', true).map((rule) => rule.on)).toEqual(['b'])
  })

  it('keeps no rule that neither earns nor says anything', () => {
    expect(withRule(rules, 'a', { credit: '0' }).map((rule) => rule.on)).toEqual(['b'])
    expect(withRule(rules, 'b', { feedback: '' }).map((rule) => rule.on)).toEqual(['a', 'b'])
  })
})

describe('pasted lines', () => {
  const html = (line: string) => `<p>${line}</p>`
  const fresh = (rows: { id: string }[]) => ({ id: freshId(rows), html: '' })
  const empty = (...ids: string[]) => ids.map((id) => ({ id, html: '' }))

  it('fill empty options before new ones are made', () =>
    expect(withRows(empty('a', 'b'), 0, ['x', 'y', 'z'], html, fresh)).toEqual([
      { id: 'a', html: '<p>x</p>' },
      { id: 'b', html: '<p>y</p>' },
      { id: 'c', html: '<p>z</p>' },
    ]))

  it('come after an option that has words, and overwrite none', () =>
    expect(
      withRows(
        [
          { id: 'a', html: '<p>kept</p>' },
          { id: 'b', html: '<p>too</p>' },
        ],
        0,
        ['x', 'y'],
        html,
        fresh,
      ).map((option) => option.html),
    ).toEqual(['<p>kept</p>', '<p>x</p>', '<p>y</p>', '<p>too</p>']))

  it('never take an identifier that is there', () => expect(freshId(empty('a', 'c'))).toBe('b'))
})
