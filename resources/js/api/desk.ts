import { queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type * as schema from './schema'

export type Desk = schema.Desk
export const deskQuery = queryOptions({
  queryKey: ['desk'],
  queryFn: async () => (await call<schema.Answers['GET /desk']>('GET', '/desk')).body,
  staleTime: 0,
})
