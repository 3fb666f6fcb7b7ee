import { expect, test } from 'vitest'
import { HEIGHT, laid, type TargetShown, WIDTH, withLabel } from './placed'

const label = (id: string, uses: number | null) => ({ id, body: [id], uses })
const target = (id: string, x: number, y: number): TargetShown => ({ id, label: '', at: [String(x), String(y)], box: null })

test('a label that is used up leaves the target it lay at', () => {
  expect(withLabel({ t1: 'x1' }, 't2', label('x1', 1))).toEqual({ t2: 'x1' })
  expect(withLabel({ t1: 'x1' }, 't2', label('x1', 2))).toEqual({ t1: 'x1', t2: 'x1' })
  expect(withLabel({ t1: 'x1', t2: 'x2' }, 't2', label('x1', 1))).toEqual({ t2: 'x1' })
  expect(withLabel({ t1: 'x1' }, 't2', label('x1', null))).toEqual({ t1: 'x1', t2: 'x1' })
})

test('boxes stand on a picture that has room for them, never beyond its edge, and else in a list', () => {
  const two = [target('a', 5, 5), target('b', 790, 490)]
  expect(laid(two, 800, 500, 1)).toEqual([
    { left: 0, top: 0 },
    { left: 800 - WIDTH, top: 500 - HEIGHT },
  ])
  expect(laid(two, 340, 212, 800 / 340)).toBeNull()
  expect(laid([target('a', 300, 300), target('b', 340, 310)], 800, 500, 1)).toBeNull()
  expect(
    laid(
      Array.from({ length: 30 }, (_, i) => target(`t${i}`, i * 25, i * 16)),
      800,
      500,
      1,
    ),
  ).toBeNull()
})
