import { infiniteQueryOptions } from '@tanstack/react-query'
import { call } from './client'
import type * as schema from './schema'

export type TypedDocument = schema.TypedDocument
export type Corrections = TypedDocument['corrections']
export type Stretch = TypedDocument['stretches'][number]
export type Line = Stretch['lines'][number]
export type Understood = TypedDocument['questions'][string]
export type Look = TypedDocument['looks'][number]

/** A typed document of an import beside its questions, in pages. */
export const documentQuery = (intake: string, file: string) =>
  infiniteQueryOptions({
    queryKey: ['intake', intake, 'document', file],
    queryFn: async ({ pageParam }) =>
      (
        await call<schema.Answers['GET /intakes/{intake}/documents/{file}']>(
          'GET',
          `/intakes/${intake}/documents/${file}?from=${pageParam}`,
        )
      ).body.data,
    initialPageParam: 0,
    getNextPageParam: (page) => page.next,
  })
