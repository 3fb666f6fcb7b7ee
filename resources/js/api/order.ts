import { queryOptions } from '@tanstack/react-query'
import type { TreeName } from './actions'
import { call } from './client'
import type * as schema from './schema'

export type TagRow = schema.TagRow
export const tagsQuery = (slug: string) =>
  queryOptions({
    queryKey: ['bank', slug, 'tags'],
    queryFn: async () => (await call<schema.Answers['GET /banks/{bank}/tags']>('GET', `/banks/${slug}/tags`)).body.data,
  })

export type NodeUses = schema.NodeUses
export const usesQuery = (slug: string, tree: TreeName, node: string) =>
  queryOptions({
    queryKey: ['bank', slug, 'uses', tree, node],
    queryFn: async () =>
      (await call<schema.Answers['GET /banks/{bank}/{tree}/{node}/uses']>('GET', `/banks/${slug}/${tree}/${node}/uses`)).body,
  })

export const mergeNodes = async (slug: string, tree: TreeName, from: string, into: string) =>
  (await call<schema.Answers['POST /banks/{bank}/{tree}/{node}/merge']>('POST', `/banks/${slug}/${tree}/${from}/merge`, { into })).body

export type OutlineLine = schema.OutlineLine
export const outline = async (slug: string, tree: TreeName, text: string, parent: string | null, go: boolean) =>
  (
    await call<schema.Answers['POST /banks/{bank}/{tree}/outline']>('POST', `/banks/${slug}/${tree}/outline`, {
      text,
      parent,
      go,
    })
  ).body

/** Moves a node; before: the sibling it is put before, null for last, left out for where its name puts it. */
export const moveNode = (
  slug: string,
  tree: TreeName,
  id: string,
  to: { parent?: string | null; before?: string | null; by_name?: true },
) => call('PATCH', `/banks/${slug}/${tree}/${id}`, to)

/** Puts a question of a folder before another, or last. */
export const orderInFolder = (slug: string, folder: string, question: string, before: string | null) =>
  call('PUT', `/banks/${slug}/folders/${folder}/order`, { question, before })
