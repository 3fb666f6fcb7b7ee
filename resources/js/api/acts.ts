import { infiniteQueryOptions, queryOptions } from '@tanstack/react-query'
import type { Classification } from './actions'
import { call } from './client'
import type { Difference } from './queries'

export type Left = { id: string; title: string; why: string }
/** An act on many questions: its receipt, and how far it is until then. */
export type Act = {
  act: string
  kind: 'change' | 'undo' | 'copy' | 'merge' | 'remove'
  bank: string | null
  person: string | null
  state: 'waiting' | 'running' | 'done' | 'stopped' | 'failed'
  total: number
  done: number
  changed: number
  left_count: number
  left: Left[]
  what: BulkChange | null
  /** The act that this one puts back. */
  undoes: string | null
  undone: boolean
  may_undo: boolean
  created_at: string
  finished_at: string | null
}

/** Questions by id, or everything a filter gives. */
export type Target = { ids: string[] } | { filter: string; from?: string }

export type Content = {
  points?: number
  shuffle?: boolean
  attempts?: { allowed?: number | null; cost?: string }
  show?: string
  language?: string
  names?: true
  replace?: Replace
}
export type Replace = { find: string; with: string; case: boolean; whole: boolean; skip?: { id: string; places: number[] }[] }
export type BulkChange = Classification & { content?: Content; bin?: boolean; home?: boolean }

export type FieldChange = { field: string; before: unknown; after: unknown }
export type Preview = {
  count: number
  looked: number
  changes: number
  sample: { id: string; title: string; fields: FieldChange[]; differences: Difference[] }[]
  left: Left[]
}
export type ReplacePlace = { path: Difference['path']; before: string; found: string; after: string }
export type Places = {
  count: number
  looked: number
  questions: { id: string; title: string; places: ReplacePlace[] }[]
  next: string | null
}

export const goesOn = (act: Act) => act.state === 'waiting' || act.state === 'running'

export const changeMany = async (slug: string, target: Target, change: BulkChange) =>
  (await call<Act>('POST', `/banks/${slug}/acts`, { ...target, ...change })).body
/** @param folder where the copies lie; @param bin whether the originals go into the bin */
export const copyMany = async (slug: string, target: Target, folder: string[] | null, bin: boolean) =>
  (await call<Act>('POST', `/banks/${slug}/copies`, { ...target, folder: folder ?? [], bin })).body
export const copyBank = async (slug: string, name: string, key: string) =>
  (await call<{ slug: string; act: Act }>('POST', `/banks/${slug}/copy`, { name }, { 'Idempotency-Key': key })).body
export const previewQuery = (slug: string, target: Target, change: BulkChange) =>
  queryOptions({
    queryKey: ['preview', slug, target, change],
    queryFn: async () => (await call<Preview>('POST', `/banks/${slug}/acts/preview`, { ...target, ...change })).body,
    staleTime: 0,
    gcTime: 0,
  })
export const placesQuery = (slug: string, target: Target, replace: Replace) =>
  infiniteQueryOptions({
    queryKey: ['places', slug, target, replace],
    queryFn: async ({ pageParam }) =>
      (
        await call<Places>('POST', `/banks/${slug}/acts/places`, {
          ...target,
          content: { replace },
          ...(pageParam ? { after: pageParam } : {}),
        })
      ).body,
    initialPageParam: null as string | null,
    getNextPageParam: (page) => page.next,
    staleTime: 0,
    gcTime: 0,
  })
export const actQuery = (id: string) =>
  queryOptions({
    queryKey: ['act', id],
    queryFn: async () => (await call<Act>('GET', `/acts/${id}`)).body,
    refetchInterval: (query) => (query.state.data && !goesOn(query.state.data) ? false : 700),
  })
export const actsQuery = (slug: string) =>
  queryOptions({
    queryKey: ['bank', slug, 'acts'],
    queryFn: async () => (await call<{ data: Act[] }>('GET', `/banks/${slug}/acts`)).body.data,
  })
export type Changed = { data: { id: string; title: string; fields: FieldChange[] }[]; next: string | null }
export const actChangesQuery = (id: string) =>
  infiniteQueryOptions({
    queryKey: ['act', id, 'changes'],
    queryFn: async ({ pageParam }) => (await call<Changed>('GET', `/acts/${id}/changes${pageParam ? `?after=${pageParam}` : ''}`)).body,
    initialPageParam: null as string | null,
    getNextPageParam: (page) => page.next,
  })
export const stopAct = (id: string) => call('DELETE', `/acts/${id}`)
export const resumeAct = async (id: string) => (await call<Act>('POST', `/acts/${id}/resume`, {})).body
/** @param questions only these, whatever became of them since; otherwise all that are still as it left them */
export const undoAct = async (id: string, questions?: string[]) =>
  (await call<Act>('POST', `/acts/${id}/undo`, questions ? { questions } : {})).body
