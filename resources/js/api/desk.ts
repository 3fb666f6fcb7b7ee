import { queryOptions } from '@tanstack/react-query'
import type { Act } from './acts'
import { call } from './client'

export type Desk = {
  begun: { to: string; title: string; bank: string; what: 'question' | 'stimulus'; at: string }[]
  recent: { id: string; title: string; bank: string; at: string }[]
  waiting: {
    slug: string
    name: string
    in_review: number
    incomplete: number
    failing: number
    drafts: number
    untopiced: number
    unnamed: number
  }[]
  intakes: { id: string; title: string; at: string }[]
  acts: { act: string; kind: Act['kind']; changed: number; person: string; bank: string; at: string }[]
  changed: { id: string; title: string; bank: string; slug: string; person: string; note: string; number: number; at: string }[]
}
export const deskQuery = queryOptions({
  queryKey: ['desk'],
  queryFn: async () => (await call<Desk>('GET', '/desk')).body,
  staleTime: 0,
})
