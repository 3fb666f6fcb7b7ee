import { expect, it } from 'vitest'
import { together } from './useTray'

const added = (...ids: string[]) => ({ add: ids.map((id) => ({ id })), remove: [] })
const removed = (...ids: string[]) => ({ add: [], remove: ids })

it.each([
  ['two additions', [added('a'), added('a', 'b')], { add: ['a', 'b'], remove: [] }],
  ['taken out again', [added('a', 'b'), removed('a')], { add: ['b'], remove: ['a'] }],
  ['emptied and put back', [removed('a', 'b'), added('b')], { add: ['b'], remove: ['a'] }],
])('says in one what several changes come to: %s', (_, changes, one) => expect(together(changes)).toEqual(one))
