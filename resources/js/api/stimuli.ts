import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type * as schema from './schema'

/** A stimulus as core/schema/stimulus.json says. */
export type StimulusJson = schema.StimulusJson
export type StimulusUses = schema.StimulusUses
export type WholeStimulus = schema.WholeStimulus
export type StimulusRow = schema.StimulusRow
export type StimulusPage = schema.StimulusPage

/** Stimuli that meet an address such as bank=rocks&words=crag&only=unused. */
export const stimuliQuery = (asked: string) =>
  infiniteQueryOptions({
    queryKey: ['stimuli', asked],
    queryFn: async ({ pageParam }) => {
      const query = [asked, pageParam === '' ? '' : `cursor=${encodeURIComponent(pageParam)}`].filter((one) => one !== '').join('&')
      return (await call<schema.Answers['GET /stimuli']>('GET', `/stimuli?${query}`)).body
    },
    initialPageParam: '',
    getNextPageParam: (page) => page.meta.next_cursor,
    placeholderData: keepPreviousData,
  })

export const fetchStimulus = async (id: string) =>
  (await call<schema.Answers['GET /stimuli/{stimulus}']>('GET', `/stimuli/${id}`)).body.data
export const stimulusQuery = (id: string) => queryOptions({ queryKey: ['stimulus', id], queryFn: () => fetchStimulus(id) })

export const createStimulus = async (slug: string, stimulus: StimulusJson, folders: string[][], note: string) =>
  (
    await call<schema.Answers['POST /banks/{bank}/stimuli']>(
      'POST',
      `/banks/${slug}/stimuli`,
      { stimulus, folders, note },
      { 'Idempotency-Key': stimulus.id },
    )
  ).body.data
export const saveStimulus = async (stimulus: StimulusJson, base: number, note: string) =>
  (await call<schema.Answers['PUT /stimuli/{stimulus}']>('PUT', `/stimuli/${stimulus.id}`, { stimulus, note }, { 'If-Match': `"${base}"` }))
    .body.data
export const placeStimulus = async (id: string, change: { folders?: string[][]; binned?: boolean }) =>
  (await call<schema.Answers['PATCH /stimuli/{stimulus}']>('PATCH', `/stimuli/${id}`, change)).body.data

export const stimulusRevisionsQuery = (id: string) =>
  queryOptions({
    queryKey: ['stimulus', id, 'revisions'],
    queryFn: async () => (await call<schema.Answers['GET /stimuli/{stimulus}/revisions']>('GET', `/stimuli/${id}/revisions`)).body.data,
  })
export const stimulusRevisionQuery = (id: string, number: number, since?: number) =>
  queryOptions({
    queryKey: ['stimulus', id, 'revision', number, since ?? 'before'],
    queryFn: async () =>
      (
        await call<schema.Answers['GET /stimuli/{stimulus}/revisions/{number}']>(
          'GET',
          `/stimuli/${id}/revisions/${number}${since === undefined ? '' : `?since=${since}`}`,
        )
      ).body,
    staleTime: Number.POSITIVE_INFINITY,
  })
