import { expect, test } from 'vitest'
import { nextNamed } from './typeAhead'

const names = ['Basalt', 'Öl shale', 'Breccia', 'Opal', 'breakwater', 'Chalk']

test.each([
  ['one letter goes on from here', 0, 'b', 2],
  ['and round to the top', 4, 'b', 0],
  ['the same letter again walks through all with it', 2, 'bb', 4],
  ['more letters stay where they still fit', 2, 'bre', 2],
  ['or go on', 0, 'brea', 4],
  ['case and accents do not matter', 0, 'OL', 1],
  ['where none begins so, nowhere', 0, 'z', -1],
])('%s', (_, at, typed, place) => expect(nextNamed(names, at, typed)).toBe(place))
