import { expect, test } from 'vitest'
import { type Pair, type SideShown, toggled } from './pairs'

const side = (id: string, uses: number | null): SideShown => ({ id, body: [id], uses })

test.each([
  ['joins two', [], side('a', 1), side('x', 1), [['a', 'x']]],
  [
    'takes one join apart, and leaves the others of both',
    [
      ['a', 'x'],
      ['a', 'y'],
      ['b', 'x'],
    ],
    side('a', 2),
    side('x', 2),
    [
      ['a', 'y'],
      ['b', 'x'],
    ],
  ],
  [
    'frees the left one from its oldest join',
    [
      ['a', 'x'],
      ['a', 'y'],
    ],
    side('a', 2),
    side('z', 1),
    [
      ['a', 'y'],
      ['a', 'z'],
    ],
  ],
  [
    'frees the right one as well',
    [
      ['a', 'x'],
      ['b', 'y'],
    ],
    side('b', 1),
    side('x', 1),
    [['b', 'x']],
  ],
  [
    'joins as often as one likes where nothing bounds it',
    [
      ['a', 'x'],
      ['a', 'y'],
    ],
    side('a', null),
    side('z', null),
    [
      ['a', 'x'],
      ['a', 'y'],
      ['a', 'z'],
    ],
  ],
] as [string, Pair[], SideShown, SideShown, Pair[]][])('%s', (_, pairs, left, right, after) => {
  expect(toggled(pairs, left, right)).toEqual(after)
})
