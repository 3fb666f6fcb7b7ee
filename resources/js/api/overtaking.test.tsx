import { QueryClient } from '@tanstack/react-query'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { countQuery, facetsQuery } from './queries'

let sent: string[]

beforeEach(() => {
  sent = []
  vi.stubGlobal('fetch', async (_: string, init: RequestInit) => {
    sent.push(new Headers(init.headers).get('Quarry-Search') ?? '')
    return new Response(JSON.stringify({ facets: {}, found: 0, of: 0 }))
  })
})
afterEach(() => vi.unstubAllGlobals())

const names = () => sent.map((one) => one.split(';')[0])

test('the next words stop the counts of those before, and count up', async () => {
  const client = new QueryClient()
  for (const words of ['s', 'sl', 'sla']) await client.fetchQuery(facetsQuery('rocks', `words=${words}`, ['topic', 'no']))
  expect(new Set(names()).size).toBe(1)
  const numbers = sent.map((one) => Number(one.split(';')[1]))
  expect(numbers).toEqual([...numbers].sort((a, b) => a - b))
  expect(new Set(numbers).size).toBe(3)
})

test('what stands side by side on a screen does not stop one another', async () => {
  const client = new QueryClient()
  await client.fetchQuery(facetsQuery('rocks', '', ['topic', 'no']))
  await client.fetchQuery(facetsQuery('rocks', 'kind=choice', ['topic', 'no']))
  await client.fetchQuery(facetsQuery('rocks', 'kind=choice', ['tag']))
  await client.fetchQuery(countQuery('rocks', 'kind=choice'))
  expect(new Set(names()).size).toBe(4)
})
