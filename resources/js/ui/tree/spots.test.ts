import { expect, test } from 'vitest'
import { spotsFor } from './spots'

const items = [
  { id: 'rocks', parent: null, name: 'Rocks' },
  { id: 'igneous', parent: 'rocks', name: 'Igneous' },
  { id: 'basalt', parent: 'igneous', name: 'Basalt' },
  { id: 'maps', parent: null, name: 'Maps' },
]
const may = (held: string | null) => items.filter(spotsFor(items, held).inside).map((item) => item.id)

test('nothing is put inside itself or below itself', () => {
  expect(may('rocks')).toEqual(['maps'])
  expect(may('igneous')).toEqual(['rocks', 'maps'])
  expect(may('maps')).toEqual(['rocks', 'igneous', 'basalt'])
  expect(may(null)).toEqual([])
})

test('before something is beside it', () => {
  expect(spotsFor(items, 'maps').before(items[2] as (typeof items)[number])).toEqual({ parent: 'igneous', before: 'basalt' })
})
