import { infiniteQueryOptions, queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type * as schema from './schema'

export type Left = schema.SkippedQuestion
/** An act on many questions: its receipt, and how far it is until then. */
export type Act = schema.Act

/** Questions by id, or everything a filter gives. */
export type Target = { ids: string[] } | { filter: string; from?: string }

export type ContentChange = schema.ContentChange
export type Replace = schema.TextReplacement
export type BulkChange = schema.BulkChange

export type FieldChange = schema.FieldChange
export type Preview = schema.Preview
export type ReplacePlace = schema.ReplacePlace
export type Places = schema.ReplacePlacesPage

export const goesOn = (act: Act) => act.state === 'waiting' || act.state === 'running'

export const changeMany = async (slug: string, target: Target, change: BulkChange) =>
  (await call<schema.Answers['POST /banks/{bank}/acts']>('POST', `/banks/${slug}/acts`, { ...target, ...change })).body
/** @param folder where the copies lie; @param bin whether the originals go into the bin */
export const copyMany = async (slug: string, target: Target, folder: string[] | null, bin: boolean) =>
  (await call<schema.Answers['POST /banks/{bank}/copies']>('POST', `/banks/${slug}/copies`, { ...target, folder: folder ?? [], bin })).body
export const copyBank = async (slug: string, name: string, key: string) =>
  (await call<schema.Answers['POST /banks/{bank}/copy']>('POST', `/banks/${slug}/copy`, { name }, { 'Idempotency-Key': key })).body
export const previewQuery = (slug: string, target: Target, change: BulkChange) =>
  queryOptions({
    queryKey: ['preview', slug, target, change],
    queryFn: async () =>
      (await call<schema.Answers['POST /banks/{bank}/acts/preview']>('POST', `/banks/${slug}/acts/preview`, { ...target, ...change })).body,
    staleTime: 0,
    gcTime: 0,
  })
export const placesQuery = (slug: string, target: Target, replace: Replace) =>
  infiniteQueryOptions({
    queryKey: ['places', slug, target, replace],
    queryFn: async ({ pageParam }) =>
      (
        await call<schema.Answers['POST /banks/{bank}/acts/places']>('POST', `/banks/${slug}/acts/places`, {
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
export const readAct = async (id: string) => (await call<schema.Answers['GET /acts/{act}']>('GET', `/acts/${id}`)).body
export const actQuery = (id: string) =>
  queryOptions({
    queryKey: ['act', id],
    queryFn: () => readAct(id),
    refetchInterval: (query) => (query.state.data && !goesOn(query.state.data) ? false : 700),
  })
export const actsQuery = (slug: string) =>
  queryOptions({
    queryKey: ['bank', slug, 'acts'],
    queryFn: async () => (await call<schema.Answers['GET /banks/{bank}/acts']>('GET', `/banks/${slug}/acts`)).body.data,
  })
export type Changed = schema.ChangesPage
export const actChangesQuery = (id: string) =>
  infiniteQueryOptions({
    queryKey: ['act', id, 'changes'],
    queryFn: async ({ pageParam }) =>
      (await call<schema.Answers['GET /acts/{act}/changes']>('GET', `/acts/${id}/changes${pageParam ? `?after=${pageParam}` : ''}`)).body,
    initialPageParam: null as string | null,
    getNextPageParam: (page) => page.next,
  })
export const stopAct = (id: string) => call('DELETE', `/acts/${id}`)
export const resumeAct = async (id: string) =>
  (await call<schema.Answers['POST /acts/{act}/resume']>('POST', `/acts/${id}/resume`, {})).body
/** @param questions only these, whatever became of them since; otherwise all that are still as it left them */
export const undoAct = async (id: string, questions?: string[]) =>
  (await call<schema.Answers['POST /acts/{act}/undo']>('POST', `/acts/${id}/undo`, questions ? { questions } : {})).body
