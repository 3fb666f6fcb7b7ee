import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, renderHook, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { expect, it, vi } from 'vitest'
import type { QuestionJson, Result } from '@/api/question'
import { useTry } from './useTry'

const answers = vi.hoisted(() => [] as ((result: unknown) => void)[])
vi.mock('@/api/queries', async (original) => ({
  ...(await original<typeof import('@/api/queries')>()),
  score: () => new Promise((answer) => answers.push(answer)),
}))
vi.mock('./usePresentation', () => ({ usePresentation: () => ({ data: undefined }) }))

const client = new QueryClient()
const wrapper = ({ children }: { children: ReactNode }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>
const question = { id: 'x', body: '', parts: [{ id: 'p1', kind: 'essay', points: 4 }] } as unknown as QuestionJson
const worth = (score: number) => ({ score, parts: [] }) as unknown as Result

it('shows what the last marks come to, not what is answered last', async () => {
  const { result } = renderHook(() => useTry(question, 'rocks'), { wrapper })
  act(() => result.current.mark('p1', { points: '1' }))
  act(() => result.current.mark('p1', { points: '2' }))
  await waitFor(() => expect(answers).toHaveLength(2))
  await act(async () => answers[1]?.(worth(2)))
  await waitFor(() => expect(result.current.result?.score).toBe(2))
  await act(async () => answers[0]?.(worth(1)))
  await act(async () => new Promise((rest) => setTimeout(rest, 20)))
  expect(result.current.result?.score).toBe(2)
})

it.each([
  ['the answer is changed', (on: ReturnType<typeof useTry>) => on.answer('p1', { text: 'b' })],
  ['it is begun anew', (on: ReturnType<typeof useTry>) => on.fresh()],
  ['the values are rolled again', (on: ReturnType<typeof useTry>) => on.roll()],
])('shows nothing, and counts no try, where %s while it is checked', async (_, meanwhile) => {
  answers.length = 0
  const { result } = renderHook(() => useTry(question, 'rocks'), { wrapper })
  act(() => result.current.answer('p1', { text: 'a' }))
  act(() => result.current.check())
  await waitFor(() => expect(answers).toHaveLength(1))
  act(() => meanwhile(result.current))
  await act(async () => answers[0]?.({ ...worth(0), state: 'wrong', counts: true }))
  await act(async () => new Promise((rest) => setTimeout(rest, 20)))
  expect([result.current.result, result.current.wrong, result.current.finished]).toEqual([null, 0, false])
})
