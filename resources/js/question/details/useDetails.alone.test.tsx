import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, renderHook, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterEach, expect, it, vi } from 'vitest'
import { meQuery } from '@/api/queries'
import { useDetails } from './useDetails'

const tell = vi.hoisted(() => vi.fn())
vi.mock('@/ui/Toasts', () => ({ useToast: () => tell }))

afterEach(() => vi.restoreAllMocks())

/** The hook of somebody who chose these, with a server that answers when it is told to. */
function chosen(details: string[]) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Number.POSITIVE_INFINITY } } })
  client.setQueryData(meQuery.queryKey, { details } as never)
  const answers: ((status: number) => void)[] = []
  const stored: string[][] = []
  vi.spyOn(globalThis, 'fetch').mockImplementation((address, init) => {
    if (init?.method === 'PUT') stored.push(JSON.parse(String(init.body)).details)
    const json = (status: number, body: unknown) => new Response(status === 204 ? null : JSON.stringify(body), { status })
    if (String(address).endsWith('/csrf-cookie')) return Promise.resolve(json(204, null))
    if (String(address).endsWith('/me')) return Promise.resolve(json(200, { data: { details } }))
    return new Promise((resolve) => answers.push((status) => resolve(json(status, { title: 'No', detail: 'It could not be kept.' }))))
  })
  const wrapper = ({ children }: { children: ReactNode }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>
  return { ...renderHook(useDetails, { wrapper }), answers, stored }
}

it('shows a choice at once, in the order of details, and keeps the last of several', async () => {
  const { result, answers, stored } = chosen(['state'])
  act(() => result.current.toggle('key'))
  await waitFor(() => expect(result.current.shown).toEqual(['key', 'state']))
  act(() => result.current.toggle('state'))
  await waitFor(() => expect(result.current.shown).toEqual(['key']))
  // one after the other, so that the earlier one cannot come last
  await waitFor(() => expect(stored).toEqual([['key', 'state']]))
  act(() => answers[0]?.(204))
  await waitFor(() => expect(stored).toEqual([['key', 'state'], ['key']]))
  act(() => answers[1]?.(204))
  await waitFor(() => expect(result.current.shown).toEqual(['key']))
})

it('goes back to what is kept, and says so, when a choice could not be', async () => {
  const { result, answers } = chosen(['state'])
  act(() => result.current.toggle('place'))
  await waitFor(() => expect(result.current.has('place')).toBe(true))
  await waitFor(() => expect(answers).toHaveLength(1))
  act(() => answers[0]?.(503))
  await waitFor(() => expect(result.current.shown).toEqual(['state']))
  expect(tell).toHaveBeenCalledExactlyOnceWith({ text: 'It could not be kept.', look: 'problem' })
})
