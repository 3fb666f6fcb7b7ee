import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, renderHook, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import type { QuestionJson } from '@/api/question'
import { useTry } from './useTry'

const question: QuestionJson = {
  format: 'wide-quarry/question',
  version: 1,
  id: 'x',
  title: '',
  language: 'en',
  body: '',
  parts: [],
  attempts: { allowed: 2 },
}
const wrapper = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>{children}</QueryClientProvider>
)
type Sent = { question: QuestionJson; response: unknown; seed: number; earlier_wrong: number; hints: number }
let sent: Sent[]
let outcomes: { state: string; counts: boolean }[]

beforeEach(() => {
  sent = []
  outcomes = []
  vi.stubGlobal('fetch', async (path: string, init?: RequestInit) => {
    const body = init?.body ? JSON.parse(String(init.body)) : {}
    if (path.endsWith('/score')) {
      sent.push(body)
      return new Response(JSON.stringify({ score: 0, ...outcomes.shift() }))
    }
    return new Response(
      JSON.stringify({
        presentation: {},
        findings: [],
        roll: { values: { a: { value: `${body.seed}`, written: `${body.seed}` }, b: { value: '7', written: '7' } } },
      }),
    )
  })
})
afterEach(() => vi.unstubAllGlobals())

const start = async (now?: () => QuestionJson) => {
  const { result } = renderHook(() => useTry(question, 'rocks', now), { wrapper })
  await waitFor(() => expect(result.current.shown.data).toBeDefined())
  return result
}
const check = async (result: Awaited<ReturnType<typeof start>>, state: string, counts = true) => {
  outcomes.push({ state, counts })
  const before = sent.length
  act(() => result.current.check())
  await waitFor(() => expect(sent.length).toBe(before + 1))
  await waitFor(() => expect(result.current.result?.state).toBe(state))
}

it('counts wrong tries, not unreadable ones, and ends when none is left', async () => {
  const result = await start()
  act(() => result.current.answer('p1', { text: 'x' }))
  await check(result, 'wrong')
  expect([result.current.wrong, result.current.finished]).toEqual([1, false])
  act(() => result.current.again())
  act(() => result.current.hint())
  await check(result, 'unreadable', false)
  expect(result.current.wrong).toBe(1)
  act(() => result.current.again())
  await check(result, 'partly')
  expect([result.current.wrong, result.current.finished]).toEqual([2, true])
  expect(sent.map((one) => [one.earlier_wrong, one.hints])).toEqual([
    [0, 0],
    [1, 1],
    [1, 1],
  ])
  act(() => result.current.fresh())
  expect([result.current.wrong, result.current.hints, result.current.finished, result.current.response]).toEqual([0, 0, false, {}])
})

it('scores the question as it is at that moment, and what was answered a moment before', async () => {
  let title = 'old'
  const result = await start(() => ({ ...question, title }))
  title = 'new'
  act(() => result.current.answer('p1', { text: 'just typed' }))
  await check(result, 'right')
  expect(sent[0]?.question.title).toBe('new')
  expect(sent[0]?.response).toEqual({ p1: { text: 'just typed' } })
  expect(result.current.finished).toBe(true)
})

it('says what a roll changed and what it did not, and begins afresh', async () => {
  const result = await start()
  act(() => result.current.answer('p1', { text: 'x' }))
  act(() => result.current.roll())
  await waitFor(() => expect(result.current.changes).not.toBeNull())
  expect(result.current.changes).toEqual([
    { name: 'a', before: '1', after: '2' },
    { name: 'b', before: '7', after: '7' },
  ])
  expect(result.current.response).toEqual({})
})
