import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, renderHook, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { beforeEach, expect, test, vi } from 'vitest'
import { type RunEntry, type RunPlan, reportRun } from '@/api/assembly'
import { score } from '@/api/queries'
import { useRun } from './useRun'

vi.mock('@/api/queries', async (real) => ({ ...(await real<object>()), score: vi.fn() }))
vi.mock('@/api/assembly', async (real) => ({ ...(await real<object>()), reportRun: vi.fn() }))

const entry = (id: string, attempts: number | null): RunEntry => ({ entry: id, points: 2, attempts }) as never
const entries = [entry('e1', 2), entry('e2', null)]
const plan = {
  seed: 7,
  practising: true,
  purpose: 'choice',
  sections: [{ id: 's', entries }],
  asked: { e1: { question: { id: 'q1' } }, e2: { question: { id: 'q2' } } },
} as unknown as RunPlan
const result = (state: string, counts = true) => ({ state, counts, score: 0, parts: [] }) as never

beforeEach(() => {
  vi.mocked(score).mockReset().mockResolvedValue(result('wrong'))
  vi.mocked(reportRun)
    .mockReset()
    .mockResolvedValue({} as never)
})

const begin = () =>
  renderHook(() => useRun('a1', plan), {
    wrapper: ({ children }: { children: ReactNode }) => <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>,
  }).result
type Run = ReturnType<typeof begin>
const answer = (run: Run, text: string, to = 'e1') => act(() => run.current.answer(to, 'p1', { text }))
const check = async (run: Run, at = 0) => {
  act(() => run.current.check(entries[at] as RunEntry))
  await waitFor(() => expect(run.current.of(entries[at]?.entry ?? '').result).not.toBeNull())
}

test('an answer is kept part by part, and taken back', () => {
  const run = begin()
  expect(run.current.isAnswered('e1')).toBe(false)
  answer(run, 'slate')
  act(() => run.current.answer('e1', 'p2', { chosen: ['a'] }))
  expect(run.current.of('e1').response).toEqual({ p1: { text: 'slate' }, p2: { chosen: ['a'] } })
  act(() => run.current.answer('e1', 'p1', undefined))
  act(() => run.current.answer('e1', 'p2', undefined))
  expect([run.current.isAnswered('e1'), run.current.isAnswered('e2')]).toEqual([false, false])
})

test('wrong tries count up to what is allowed, and each is scored with those before it', async () => {
  const run = begin()
  answer(run, 'chalk')
  act(() => run.current.hint('e1'))
  await check(run)
  expect(run.current.of('e1')).toMatchObject({ wrong: 1, missed: true, finished: false })
  act(() => run.current.again('e1'))
  answer(run, 'marble')
  await check(run)
  expect(run.current.of('e1')).toMatchObject({ wrong: 2, missed: true, finished: true })
  expect(vi.mocked(score).mock.calls.map((call) => [call[1], call[2], call[3], call[4], call[6]])).toEqual([
    [{ p1: { text: 'chalk' } }, 7, 0, 1, 2],
    [{ p1: { text: 'marble' } }, 7, 1, 1, 2],
  ])
})

test.each([
  ['a right answer ends it', 'right', true, { wrong: 0, finished: true }],
  ['one that a person marks ends it, and is no wrong try', 'needs_marking', true, { wrong: 0, finished: true }],
  ['one that could not be read costs nothing, and may be given again', 'wrong', false, { wrong: 0, finished: false }],
])('%s', async (_, state, counts, expected) => {
  vi.mocked(score).mockResolvedValue(result(state, counts))
  const run = begin()
  answer(run, 'slate')
  await check(run)
  expect(run.current.of('e1')).toMatchObject(expected)
})

test('where nothing bounds the tries, they never end it', async () => {
  const run = begin()
  for (let i = 0; i < 5; i++) {
    answer(run, `chalk ${i}`, 'e2')
    await check(run, 1)
  }
  expect(run.current.of('e2')).toMatchObject({ wrong: 5, finished: false })
})

test('an answer changed while it is checked shows no result of the one before, and costs no try', async () => {
  let finish: (value: never) => void = () => undefined
  vi.mocked(score).mockReturnValue(
    new Promise((resolve) => {
      finish = resolve
    }),
  )
  const run = begin()
  answer(run, 'chalk')
  act(() => run.current.check(entries[0] as RunEntry))
  await waitFor(() => expect(score).toHaveBeenCalled())
  answer(run, 'slate')
  await act(async () => finish(result('wrong')))
  expect(run.current.of('e1')).toMatchObject({ response: { p1: { text: 'slate' } }, result: null, wrong: 0, missed: false })
})

test('what is handed in has what was answered, with the wrong tries before the last', async () => {
  const run = begin()
  answer(run, 'chalk')
  await check(run)
  act(() => run.current.again('e1'))
  answer(run, 'marble')
  await check(run)
  answer(run, 'schist', 'e2')
  act(() => run.current.handIn())
  await waitFor(() => expect(reportRun).toHaveBeenCalled())
  expect(vi.mocked(reportRun).mock.calls[0]).toEqual([
    'a1',
    {
      seed: 7,
      practise: true,
      given: {
        e1: { response: { p1: { text: 'marble' } }, earlier_wrong: 1, hints: 0 },
        e2: { response: { p1: { text: 'schist' } }, earlier_wrong: 0, hints: 0 },
      },
    },
  ])
})
