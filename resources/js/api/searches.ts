import { queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type * as schema from './schema'

export type SavedSearch = schema.SavedSearch
export const searchesQuery = (slug: string) =>
  queryOptions({
    queryKey: ['bank', slug, 'searches'],
    queryFn: async () => (await call<schema.Answers['GET /banks/{bank}/searches']>('GET', `/banks/${slug}/searches`)).body.data,
  })
export const keepSearch = (slug: string, search: { name: string; filter: string; shared: boolean }) =>
  call('POST', `/banks/${slug}/searches`, search)
export const removeSearch = (id: string) => call('DELETE', `/searches/${id}`)
