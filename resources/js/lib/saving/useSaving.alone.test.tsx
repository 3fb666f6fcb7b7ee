import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, renderHook, waitFor } from '@testing-library/react'
import type { PropsWithChildren } from 'react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { ApiProblem } from '@/api/client'
import { keptHere } from './localDraft'
import { useSaving } from './useSaving'

const server = vi.hoisted(() => ({ keep: vi.fn(), forget: vi.fn() }))
vi.mock('@/api/queries', () => ({ keepAutosave: server.keep, forgetAutosave: server.forget }))

type Content = { text: string }
const home = { subject: 'q1', save: vi.fn() }

function render(first: Content, revision = 1) {
  const client = new QueryClient()
  const wrapper = ({ children }: PropsWithChildren) => <QueryClientProvider client={client}>{children}</QueryClientProvider>
  return renderHook(({ content }) => useSaving<Content>(content, home, revision, false), { wrapper, initialProps: { content: first } })
}

beforeEach(() => {
  vi.useFakeTimers({ shouldAdvanceTime: true })
  server.keep.mockReset().mockResolvedValue(undefined)
  server.forget.mockReset().mockResolvedValue(undefined)
  home.save.mockReset().mockImplementation(async (_: Content, base: number) => ({ id: 'q1', revision: base + 1 }))
  localStorage.clear()
})
afterEach(() => vi.useRealTimers())

const save = (hook: ReturnType<typeof render>, request: { base: number; content?: Content }) =>
  act(async () => {
    await hook.result.current.save(request).catch(() => undefined)
  })

test('keeps a change in the browser at once and on the server after a pause', async () => {
  const hook = render({ text: '' })
  hook.rerender({ content: { text: 'a' } })
  await act(() => vi.advanceTimersByTimeAsync(300))
  expect(keptHere<Content>('q1')?.content).toEqual({ text: 'a' })
  expect(server.keep).not.toHaveBeenCalled()
  await act(() => vi.advanceTimersByTimeAsync(1000))
  expect(server.keep).toHaveBeenCalledWith('q1', { text: 'a' }, 1)
  expect(hook.result.current.keeping).toBe('kept')
  expect(keptHere('q1')).toBeNull()
})

test('renders the page once for each letter, not again for keeping it', () => {
  let renders = 0
  const client = new QueryClient()
  const wrapper = ({ children }: PropsWithChildren) => <QueryClientProvider client={client}>{children}</QueryClientProvider>
  const count = (content: Content) => {
    renders++
    return useSaving<Content>(content, home, 1, false)
  }
  const hook = renderHook(count, { wrapper, initialProps: { text: '' } })
  hook.rerender({ text: 'a' }) // which is said to be typed: once more
  renders = 0
  for (const text of ['ab', 'abc', 'abcd']) hook.rerender({ text })
  expect(hook.result.current.keeping).toBe('typing')
  expect(renders).toBe(3)
})

test('keeps it in the browser and tries again while the server cannot be reached', async () => {
  server.keep.mockRejectedValueOnce(new Error('offline'))
  const hook = render({ text: '' })
  hook.rerender({ content: { text: 'a' } })
  await act(() => vi.advanceTimersByTimeAsync(1300))
  expect(hook.result.current.keeping).toBe('only here')
  expect(keptHere<Content>('q1')?.content).toEqual({ text: 'a' })
  await act(() => vi.advanceTimersByTimeAsync(10_000))
  expect(hook.result.current.keeping).toBe('kept')
})

test('saves the content it is given, although the page shows another', async () => {
  const hook = render({ text: 'mine' })
  await save(hook, { base: 2, content: { text: 'merged' } })
  expect(home.save.mock.calls[0]?.slice(0, 2)).toEqual([{ text: 'merged' }, 2])
  expect(hook.result.current.revision).toBe(3)
})

test('deletes a draft that reaches the server after its revision', async () => {
  let arrive = () => {}
  server.keep.mockReturnValueOnce(new Promise<void>((resolve) => (arrive = () => resolve())))
  const hook = render({ text: '' })
  const content = { text: 'a' }
  hook.rerender({ content })
  await act(() => vi.advanceTimersByTimeAsync(1300))
  await save(hook, { base: 1 })
  expect(hook.result.current.keeping).toBe('saved')
  server.forget.mockClear()
  await act(async () => arrive())
  await waitFor(() => expect(server.forget).toHaveBeenCalledWith('q1'))
  expect(hook.result.current.keeping).toBe('saved')
})

test('what was typed while a save was under way stays unsaved', async () => {
  let stored = (_: { id: string; revision: number }) => {}
  home.save.mockReturnValueOnce(new Promise((resolve) => (stored = resolve)))
  const hook = render({ text: '' })
  hook.rerender({ content: { text: 'a' } })
  act(() => {
    hook.result.current.save({ base: 1 })
  })
  hook.rerender({ content: { text: 'ab' } })
  await act(async () => stored({ id: 'q1', revision: 2 }))
  await act(() => vi.advanceTimersByTimeAsync(1300))
  expect(server.keep).toHaveBeenLastCalledWith('q1', { text: 'ab' }, 2)
  expect(hook.result.current.keeping).toBe('kept')
})

test('a newer revision of somebody else becomes a conflict, and the draft stays', async () => {
  const hook = render({ text: '' })
  hook.rerender({ content: { text: 'a' } })
  await act(() => vi.advanceTimersByTimeAsync(300))
  home.save.mockRejectedValueOnce(new ApiProblem(412, 'stale', 'Changed.', null, { current_revision: 4 }))
  await save(hook, { base: 1 })
  expect(hook.result.current.conflict).toBe(4)
  expect(hook.result.current.revision).toBe(1)
  expect(keptHere<Content>('q1')?.content).toEqual({ text: 'a' })
})

test('what was typed while a new question was saved is kept for its own page', async () => {
  let stored = (_: { id: string; revision: number }) => {}
  home.save.mockReturnValueOnce(new Promise((resolve) => (stored = resolve)))
  const hook = render({ text: '' }, 0)
  hook.rerender({ content: { text: 'a' } })
  act(() => {
    hook.result.current.save({ base: 0 })
  })
  hook.rerender({ content: { text: 'ab' } })
  await act(async () => stored({ id: 'stored', revision: 1 }))
  expect(keptHere<Content>('stored')).toMatchObject({ content: { text: 'ab' }, base: 1 })
  hook.rerender({ content: { text: 'abc' } })
  hook.unmount()
  expect(keptHere<Content>('stored')?.content).toEqual({ text: 'abc' })
})

test('leaving the page keeps the last letters in the browser', () => {
  const hook = render({ text: '' })
  hook.rerender({ content: { text: 'a' } })
  hook.unmount()
  expect(keptHere<Content>('q1')?.content).toEqual({ text: 'a' })
})
