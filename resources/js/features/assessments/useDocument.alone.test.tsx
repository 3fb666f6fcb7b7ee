import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, renderHook } from '@testing-library/react'
import type { PropsWithChildren } from 'react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { Assessment, Content } from '@/api/assembly'
import { ApiProblem } from '@/api/client'
import { keepHere, keptHere } from '@/lib/saving/localDraft'
import { texts } from '@/messages'
import { useDocument } from './useDocument'

const server = vi.hoisted(() => ({ save: vi.fn(), read: vi.fn(), merge: vi.fn(), tell: vi.fn() }))
vi.mock('@/api/assembly', () => ({
  saveAssessment: server.save,
  mergeEdits: server.merge,
  assessmentQuery: (id: string) => ({ queryKey: ['assessment', id], queryFn: server.read }),
}))
vi.mock('@/ui/Toasts', () => ({ useToast: () => server.tell }))

const content = (title: string) => ({ id: 'a1', title, sections: [] }) as unknown as Content
const stored = (title: string, version: number) => ({ id: 'a1', version, content: content(title), title }) as unknown as Assessment

function render(start = stored('Rivers', 3)) {
  const client = new QueryClient()
  const wrapper = ({ children }: PropsWithChildren) => <QueryClientProvider client={client}>{children}</QueryClientProvider>
  return renderHook(() => useDocument(start), { wrapper })
}
const rename = (hook: ReturnType<typeof render>, title: string) => act(() => hook.result.current.change((now) => ({ ...now, title })))
const rest = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms))

beforeEach(() => {
  vi.useFakeTimers({ shouldAdvanceTime: true })
  server.save.mockReset().mockImplementation(async (sent: Content, version: number) => stored(sent.title, version + 1))
  server.read.mockReset()
  server.merge.mockReset()
  server.tell.mockReset()
  localStorage.clear()
})
afterEach(() => vi.useRealTimers())

test('a change is stored after a moment, the next on top of it', async () => {
  const hook = render()
  rename(hook, 'Coasts')
  expect(hook.result.current.keeping).toBe('typing')
  await rest(500)
  expect(server.save).toHaveBeenCalledExactlyOnceWith(content('Coasts'), 3)
  expect(hook.result.current.keeping).toBe('saved')
  rename(hook, 'Ice')
  await rest(500)
  expect(server.save).toHaveBeenLastCalledWith(content('Ice'), 4)
  expect(hook.result.current.stored.version).toBe(5)
})

test('undone before it was sent, nothing is sent', async () => {
  const hook = render()
  rename(hook, 'Coasts')
  act(() => void hook.result.current.undo())
  await rest(1000)
  expect(server.save).not.toHaveBeenCalled()
  expect(hook.result.current.keeping).toBe('saved')
})

test('while the server cannot be reached it is kept in the browser and tried again', async () => {
  server.save.mockRejectedValueOnce(new ApiProblem(0, 'offline', 'Offline.', null, {}))
  const hook = render()
  rename(hook, 'Coasts')
  await rest(500)
  expect(hook.result.current.keeping).toBe('only here')
  expect(keptHere<Content>('assessment:a1')).toMatchObject({ content: content('Coasts'), base: 3 })
  await rest(10_000)
  expect(hook.result.current.keeping).toBe('saved')
  expect(keptHere('assessment:a1')).toBeNull()
})

test('a change that is refused is said, and waits for the next one', async () => {
  server.save.mockRejectedValueOnce(new ApiProblem(422, 'field', 'A title is needed.', '/title', {}))
  const hook = render()
  rename(hook, '')
  await rest(500)
  expect(server.tell).toHaveBeenCalledWith({ text: 'A title is needed.', look: 'problem' })
  await rest(20_000)
  expect(server.save).toHaveBeenCalledTimes(1)
  rename(hook, 'Ice')
  await rest(500)
  expect(hook.result.current.keeping).toBe('saved')
})

test('edits of two people are put together and stored, over what both began with', async () => {
  server.save.mockRejectedValueOnce(new ApiProblem(412, 'stale', 'Changed.', null, { current_revision: 8 }))
  server.read.mockResolvedValue({ ...stored('Theirs', 8), may_write: true })
  server.merge.mockResolvedValue({ content: content('Both'), conflicts: [], version: 8 })
  const hook = render()
  rename(hook, 'Mine')
  await rest(500)
  await rest(500)
  expect(server.merge).toHaveBeenCalledExactlyOnceWith(content('Rivers'), content('Mine'))
  expect(hook.result.current.content.title).toBe('Both')
  expect(server.save).toHaveBeenLastCalledWith(content('Both'), 8)
  expect(hook.result.current.conflict).toBeNull()
})

test('what both changed is asked about, with theirs in its place meanwhile', async () => {
  server.save.mockRejectedValueOnce(new ApiProblem(412, 'stale', 'Changed.', null, { current_revision: 8 }))
  server.read.mockResolvedValue({ ...stored('Theirs', 8), may_write: true })
  const conflicts = [{ key: 'field title', mine: ['…'], theirs: ['…'] }]
  server.merge.mockResolvedValue({ content: content('Theirs'), conflicts, version: 8 })
  const hook = render()
  rename(hook, 'Mine')
  await rest(1500)
  expect(hook.result.current.conflict).toEqual({ base: content('Rivers'), mine: content('Mine'), conflicts })
  expect(hook.result.current.content.title).toBe('Theirs')
})

test('the newer version of somebody else takes the place, and undoing brings mine back', async () => {
  server.save.mockRejectedValueOnce(new ApiProblem(412, 'stale', 'Changed.', null, { current_revision: 8 }))
  server.read.mockResolvedValue(stored('Theirs', 8))
  const hook = render()
  rename(hook, 'Mine')
  await rest(500)
  expect(server.tell).toHaveBeenCalledWith({ text: texts.assembly.conflict, look: 'problem' })
  expect(hook.result.current.content.title).toBe('Theirs')
  act(() => void hook.result.current.undo())
  expect(hook.result.current.content.title).toBe('Mine')
  await rest(500)
  expect(server.save).toHaveBeenLastCalledWith(content('Mine'), 8)
})

test('what was left in the browser is brought back and stored', async () => {
  keepHere('assessment:a1', { content: content('Kept'), base: 3, at: 1 })
  const hook = render()
  expect(hook.result.current.content.title).toBe('Kept')
  expect(server.tell).toHaveBeenCalledWith({ text: texts.assembly.kept })
  await rest(500)
  expect(server.save).toHaveBeenCalledWith(content('Kept'), 3)
})

test('what was left in the browser of an older version does not take the place of the newer one', async () => {
  keepHere('assessment:a1', { content: content('Kept'), base: 2, at: 1 })
  const hook = render()
  expect(hook.result.current.content.title).toBe('Rivers')
  expect(server.tell).toHaveBeenCalledWith({ text: texts.assembly.conflict, look: 'problem' })
  await rest(1000)
  expect(server.save).not.toHaveBeenCalled()
  act(() => void hook.result.current.undo())
  expect(hook.result.current.content.title).toBe('Kept')
})

test('flushing stores what was changed a moment ago before something else is done', async () => {
  const hook = render()
  rename(hook, 'Coasts')
  await act(() => hook.result.current.flush())
  expect(server.save).toHaveBeenCalledTimes(1)
  await act(() => hook.result.current.flush())
  expect(server.save).toHaveBeenCalledTimes(1)
})

test('left in the middle of a word, it is sent, and kept in case it does not arrive', () => {
  server.save.mockReturnValue(new Promise(() => undefined))
  const hook = render()
  rename(hook, 'Coas')
  hook.unmount()
  expect(server.save).toHaveBeenCalledWith(content('Coas'), 3)
  expect(keptHere<Content>('assessment:a1')?.content.title).toBe('Coas')
})
