import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { begin } from './machine'
import { Runner } from './runner'

const server = vi.hoisted(() => ({ asked: [] as string[], answer: [] as (() => void)[] }))

vi.mock('@/api/queries', () => {
  const ask = (what: string) => {
    server.asked.push(what)
    return new Promise<void>((resolve) => server.answer.push(resolve))
  }
  return {
    keepAutosave: (_: string, content: string) => ask(`keep ${content}`),
    forgetAutosave: () => ask('forget'),
  }
})

beforeEach(() => {
  vi.useFakeTimers()
  server.asked.length = server.answer.length = 0
})
afterEach(() => vi.useRealTimers())

test('a draft typed after a save waits until the one before is forgotten', async () => {
  const runner = new Runner(
    begin('q1', 'as opened', 1, false),
    {
      rules: { saves: 'when asked', rest: 1000, subjectOf: (id) => id },
      send: async () => ({ id: 'q1', revision: 2 }),
    },
    () => undefined,
  )
  runner.happen({ type: 'changed', content: 'saved' })
  await runner.save()
  runner.happen({ type: 'changed', content: 'typed after' })
  await vi.advanceTimersByTimeAsync(1000)
  expect(server.asked).toEqual(['forget'])

  server.answer.shift()?.()
  await vi.advanceTimersByTimeAsync(0)
  expect(server.asked).toEqual(['forget', 'keep typed after'])
})
