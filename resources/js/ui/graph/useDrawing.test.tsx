import { act, renderHook } from '@testing-library/react'
import { useState } from 'react'
import { expect, test } from 'vitest'
import type { Figure, Ground } from './graph'
import { useDrawing } from './useDrawing'

const ground = (more: Partial<Ground> = {}): Ground =>
  ({ surface: 'plane', tools: ['point', 'line', 'polygon'], dashes: false, snap: '1', ...more }) as Ground
/** A place, as a click on the grid says it. */
const at = (x: number, y: number) => ({ x: String(x), y: String(y) }) as never

function draw(max: number | null = null, more: Partial<Ground> = {}) {
  const { result } = renderHook(() => {
    const [figures, setFigures] = useState<Figure[]>([])
    return { figures, drawing: useDrawing(ground(more), figures, max, setFigures) }
  })
  return {
    now: () => result.current,
    kinds: () => result.current.figures.map((one) => one.figure),
    do: (what: (drawing: ReturnType<typeof useDrawing>) => unknown) => {
      act(() => {
        what(result.current.drawing)
      })
    },
  }
}

test('a line is there with its second place, and not before', () => {
  const desk = draw()
  desk.do((on) => on.pick('line'))
  desk.do((on) => on.place(at(0, 0)))
  expect([desk.kinds(), desk.now().drawing.places.length]).toEqual([[], 1])
  desk.do((on) => on.place(at(1, 2)))
  expect([desk.kinds(), desk.now().drawing.places.length]).toEqual([['line'], 0])
})

test('the same place twice is no line', () => {
  const desk = draw()
  desk.do((on) => on.pick('line'))
  desk.do((on) => on.place(at(0, 0)))
  desk.do((on) => on.place(at(0, 0)))
  expect([desk.kinds(), desk.now().drawing.places.length]).toEqual([[], 1])
})

test('a polygon closes where it began, or when it is finished', () => {
  const desk = draw()
  desk.do((on) => on.pick('polygon'))
  for (const [x, y] of [
    [0, 0],
    [2, 0],
    [2, 2],
  ] as const)
    desk.do((on) => on.place(at(x, y)))
  expect([desk.kinds(), desk.now().drawing.canFinish]).toEqual([[], true])
  desk.do((on) => on.place(at(0, 0)))
  expect(desk.kinds()).toEqual(['polygon'])
  for (const [x, y] of [
    [5, 5],
    [6, 5],
    [6, 6],
  ] as const)
    desk.do((on) => on.place(at(x, y)))
  desk.do((on) => on.finish())
  expect(desk.kinds()).toEqual(['polygon', 'polygon'])
})

test('two corners make no polygon', () => {
  const desk = draw()
  desk.do((on) => on.pick('polygon'))
  desk.do((on) => on.place(at(0, 0)))
  desk.do((on) => on.place(at(2, 0)))
  expect(desk.now().drawing.canFinish).toBe(false)
  desk.do((on) => on.finish())
  expect(desk.kinds()).toEqual([])
})

test('where one figure is asked for, the next takes its place; where three are, the fourth is not taken', () => {
  const one = draw(1)
  for (const x of [0, 1]) one.do((on) => on.place(at(x, 0)))
  expect(one.now().figures).toHaveLength(1)
  expect(JSON.stringify(one.now().figures)).toContain('"1"')
  const three = draw(3)
  for (const x of [0, 1, 2, 3]) three.do((on) => on.place(at(x, 0)))
  expect(three.now().figures).toHaveLength(3)
  expect(three.now().drawing.isFull).toBe(true)
})

test('undo takes places back first, then figures, changes and clearing', () => {
  const desk = draw()
  desk.do((on) => on.place(at(0, 0)))
  desk.do((on) => on.place(at(1, 0)))
  desk.do((on) => on.remove(0))
  expect(desk.now().figures).toHaveLength(1)
  desk.do((on) => on.pick('line'))
  desk.do((on) => on.place(at(5, 5)))
  desk.do((on) => on.undo())
  expect([desk.now().drawing.places.length, desk.now().figures.length]).toEqual([0, 1])
  desk.do((on) => on.undo())
  expect(desk.now().figures).toHaveLength(2)
  desk.do((on) => on.clear())
  expect(desk.kinds()).toEqual([])
  desk.do((on) => on.undo())
  expect(desk.now().figures).toHaveLength(2)
  for (let i = 0; i < 4; i++) desk.do((on) => on.undo())
  expect([desk.kinds(), desk.now().drawing.canUndo]).toEqual([[], false])
})

test('another tool forgets the places of the one before, and one that is not offered is not taken', () => {
  const desk = draw()
  desk.do((on) => on.pick('line'))
  desk.do((on) => on.place(at(0, 0)))
  desk.do((on) => on.pick('polygon'))
  expect(desk.now().drawing.places).toEqual([])
  desk.do((on) => on.pick('circle'))
  expect(desk.now().drawing.tool).toBe('point')
})

test('lines are dashed only where learners may choose', () => {
  const plain = draw()
  plain.do((on) => on.setDashed(true))
  expect([plain.now().drawing.dashed, plain.now().drawing.style]).toEqual([false, null])
  const dashes = draw(null, { dashes: true })
  dashes.do((on) => on.setDashed(true))
  expect([dashes.now().drawing.dashed, dashes.now().drawing.style]).toEqual([true, true])
})
