import { queryOptions } from '@tanstack/react-query'
import { call } from './client'

export type SavedSearch = {
  id: string
  name: string
  filter: string
  shared: boolean
  /** Who shared it; null for one's own. */
  person: string | null
  may_remove: boolean
}
export const searchesQuery = (slug: string) =>
  queryOptions({
    queryKey: ['bank', slug, 'searches'],
    queryFn: async () => (await call<{ data: SavedSearch[] }>('GET', `/banks/${slug}/searches`)).body.data,
  })
export const keepSearch = (slug: string, search: { name: string; filter: string; shared: boolean }) =>
  call('POST', `/banks/${slug}/searches`, search)
export const removeSearch = (id: string) => call('DELETE', `/searches/${id}`)
