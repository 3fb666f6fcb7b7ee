import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, renderHook, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { beforeEach, expect, test, vi } from 'vitest'
import { changeMany, readAct, undoAct } from '@/api/acts'
import { nextUntagged } from '@/api/standards'
import { undecided, useTagging } from './useTagging'

vi.mock('@/api/acts', async (real) => ({ ...(await real<object>()), changeMany: vi.fn(), readAct: vi.fn(), undoAct: vi.fn() }))
vi.mock('@/api/standards', async (real) => ({ ...(await real<object>()), nextUntagged: vi.fn() }))

const stored = (more: object = {}) => ({ act: 'a1', state: 'done', left_count: 0, left: [], ...more }) as never
let waiting: string[]

beforeEach(() => {
  waiting = ['q1', 'q2', 'q3', 'q4']
  vi.mocked(changeMany).mockReset().mockResolvedValue(stored())
  vi.mocked(undoAct).mockReset().mockResolvedValue(stored())
  vi.mocked(readAct).mockReset()
  vi.mocked(nextUntagged)
    .mockReset()
    .mockImplementation(async (_, wish) => {
      const data = waiting
        .filter((id) => !wish.past.includes(id))
        .slice(0, 3)
        .map((question) => ({ question }))
      return { data, left: waiting.length, elsewhere: 1 } as never
    })
})

async function tagging() {
  const { result, rerender } = renderHook(({ filter }) => useTagging('rocks', 'f1', filter, (decision) => ({ decision })), {
    initialProps: { filter: '' },
    wrapper: ({ children }: { children: ReactNode }) => <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>,
  })
  await waitFor(() => expect(result.current.current).toBeDefined())
  return { now: () => result.current, rerender }
}
const decide = (now: () => ReturnType<typeof useTagging>, title = 'Slate') => act(async () => now().decide(undecided, title))

test('the next question is there at once, while the one before is stored', async () => {
  let finish: (value: never) => void = () => undefined
  vi.mocked(changeMany).mockReturnValue(
    new Promise((resolve) => {
      finish = resolve
    }),
  )
  const { now } = await tagging()
  expect([now().current?.question, now().following, now().left, now().elsewhere]).toEqual(['q1', 'q2', 4, 1])
  await decide(now)
  expect(now().current?.question).toBe('q2')
  expect(changeMany).toHaveBeenCalledWith('rocks', { ids: ['q1'] }, { decision: undecided })
  await act(async () => finish(stored()))
  expect(now().done.map((one) => one.question.question)).toEqual(['q1'])
})

test('what could not be stored comes again, and says why', async () => {
  vi.mocked(changeMany).mockRejectedValueOnce(new Error('The bank is archived.'))
  const { now } = await tagging()
  await decide(now)
  await waitFor(() => expect(now().current?.question).toBe('q1'))
  expect([now().problem, now().done]).toEqual(['The bank is archived.', []])
})

test('a question that the act left out has not been decided', async () => {
  vi.mocked(changeMany).mockResolvedValueOnce(stored({ left_count: 1, left: [{ why: 'It belongs to another bank.' }] }))
  const { now } = await tagging()
  await decide(now)
  await waitFor(() => expect(now().problem).toBe('It belongs to another bank.'))
  expect(now().current?.question).toBe('q1')
})

test('an act that waits for another is waited for', async () => {
  vi.mocked(changeMany).mockResolvedValueOnce(stored({ state: 'waiting' }))
  vi.mocked(readAct)
    .mockResolvedValueOnce(stored({ state: 'running' }))
    .mockResolvedValueOnce(stored({ act: 'a2' }))
  const { now } = await tagging()
  await decide(now)
  await waitFor(() => expect(readAct).toHaveBeenCalledTimes(2), { timeout: 3000 })
  let title: string | null = null
  await act(async () => {
    title = await now().undo()
  })
  expect([title, vi.mocked(undoAct).mock.calls[0]?.[0]]).toEqual(['Slate', 'a2'])
})

test('decisions are stored one after the other', async () => {
  const order: string[] = []
  vi.mocked(changeMany).mockImplementation(async (_, target) => {
    const id = (target as { ids: string[] }).ids[0] ?? ''
    order.push(`${id} begins`)
    await new Promise((resolve) => setTimeout(resolve, 20))
    order.push(`${id} ends`)
    return stored()
  })
  const { now } = await tagging()
  await decide(now)
  await decide(now)
  await waitFor(() => expect(order).toHaveLength(4))
  expect(order).toEqual(['q1 begins', 'q1 ends', 'q2 begins', 'q2 ends'])
})

test('what was decided last is taken back, and that question comes again', async () => {
  const { now } = await tagging()
  await decide(now, 'Slate')
  await decide(now, 'Chalk')
  await act(async () => expect(await now().undo()).toBe('Chalk'))
  expect(now().current?.question).toBe('q2')
  expect(now().done.map((one) => one.title)).toEqual(['Slate'])
  await act(async () => expect(await now().undo()).toBe('Slate'))
  await act(async () => expect(await now().undo()).toBeNull())
})

test('more are asked for before one runs out, without those that are here, done or skipped', async () => {
  const { now } = await tagging()
  await act(async () => now().skip())
  await decide(now)
  await waitFor(() => expect(vi.mocked(nextUntagged).mock.calls.length).toBeGreaterThan(1))
  expect([...(vi.mocked(nextUntagged).mock.calls.at(-1)?.[1].past ?? [])].sort()).toEqual(expect.arrayContaining(['q1', 'q2']))
  await waitFor(() => expect(now().following).toBe('q4'))
  await decide(now)
  await decide(now)
  await waitFor(() => expect(now().isOver).toBe(true))
  await act(async () => now().unskip())
  await waitFor(() => expect(now().current?.question).toBe('q1'))
})

test('other conditions begin anew', async () => {
  const { now, rerender } = await tagging()
  await decide(now)
  waiting = ['q9']
  rerender({ filter: 'kind=text' })
  await waitFor(() => expect(now().current?.question).toBe('q9'))
  expect([now().done, now().left]).toEqual([[], 1])
  const asked = vi.mocked(nextUntagged).mock.calls.map((call) => call[1])
  expect(asked.find((wish) => wish.filter === 'kind=text')).toEqual({ framework: 'f1', filter: 'kind=text', past: [] })
})

test('an answer that comes when other conditions are set already is not taken for theirs', async () => {
  const { now, rerender } = await tagging()
  waiting = []
  const late: ((value: never) => void)[] = []
  const held = () => new Promise<never>((resolve) => late.push(resolve))
  vi.mocked(nextUntagged).mockImplementationOnce(held).mockImplementationOnce(held)
  rerender({ filter: 'kind=text' })
  rerender({ filter: 'kind=number' })
  await act(async () => late[1]?.({ data: [{ question: 'number' }], left: 1, elsewhere: 0 } as never))
  await act(async () => late[0]?.({ data: [{ question: 'text' }], left: 7, elsewhere: 0 } as never))
  expect([now().current?.question, now().following, now().left]).toEqual(['number', undefined, 1])
})

test('a list that cannot be fetched says so, and is tried again', async () => {
  vi.mocked(nextUntagged).mockRejectedValueOnce(new Error('The server cannot be reached.'))
  const { result } = renderHook(() => useTagging('rocks', '', '', () => ({})), {
    wrapper: ({ children }: { children: ReactNode }) => <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>,
  })
  await waitFor(() => expect(result.current.problem).toBe('The server cannot be reached.'))
  await act(async () => result.current.retry())
  expect([result.current.problem, result.current.current?.question]).toEqual([null, 'q1'])
})
