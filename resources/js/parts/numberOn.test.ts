import { expect, it } from 'vitest'
import { type NumberOn, read, sentence } from './numberOn'

it.each<[string, string | { expr: string }]>([
  ['2.7', '2.7'],
  ['-3/4', '-3/4'],
  ['6.02e23', '6.02e23'],
  ['mass / volume', { expr: 'mass / volume' }],
  ['2*r', { expr: '2*r' }],
  ['', ''],
  ['100*12/8', { expr: '100*12/8' }],
  ['3!', { expr: '3!' }],
  ['5-2', { expr: '5-2' }],
  ['-', '-'],
])('reads %j as %j', (typed, value) => expect(read(typed)).toEqual(value))

it.each<[NumberOn, string]>([
  [{ answer: 'value', value: '2.7' }, 'is 2.7'],
  [{ answer: 'value', value: { expr: 'm/v' }, tolerance: { kind: 'absolute', width: '0.05' } }, 'is m/v ± 0.05'],
  [{ answer: 'value', value: '40', tolerance: { kind: 'percent', width: '2' } }, 'is 40 ± 2%'],
  [{ answer: 'value', value: '3.14', tolerance: { kind: 'places', digits: 1 } }, 'is 3.14 to 1 decimal'],
  [
    { answer: 'value', value: '3.14', tolerance: { kind: 'figures', digits: 3, written: true } },
    'is 3.14 to 3 significant figures, must be typed with that many',
  ],
  [{ answer: 'set', values: ['1', '2'] }, 'is 1 / 2'],
  [{ answer: 'range', from: '1', to: null, ends: 'from' }, 'is from 1 to ∞, lower end included'],
  [{ answer: 'otherwise' }, 'is anything else'],
])('says %j in words', (on, words) => expect(sentence(on)).toBe(words))
