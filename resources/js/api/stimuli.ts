import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query'
import type { Uses } from './assembly'
import { call } from './client'
import type { Difference, Revision } from './queries'
import type { Finding, TreeNode } from './question'
import type { Stimulus as Shape } from './schema'

/** A stimulus as core/schema/stimulus.json says. */
export type StimulusJson = { id: string; title: string; language: string; body: string; origin?: unknown }
export type StimulusUses = Uses & { questions: number; approved: number }
export type WholeStimulus = Omit<Shape, 'bank' | 'stimulus' | 'shown' | 'findings' | 'folders' | 'uses'> & {
  bank: { slug: string; name: string }
  stimulus: StimulusJson
  /** Its text as it is drawn. */
  shown: TreeNode[]
  findings: Finding[]
  folders: string[][]
  uses: StimulusUses
}
export type StimulusRow = {
  id: string
  title: string
  stem: string
  language: string
  revision: number
  updated_at: string
  binned_at: string | null
  bank: string
  bank_name: string
  questions: number
  has_figure: boolean
  has_table: boolean
}
export type StimulusPage = { data: StimulusRow[]; meta: { next_cursor: string | null; found: number } }

/** Stimuli that meet an address such as bank=rocks&words=crag&only=unused. */
export const stimuliQuery = (asked: string) =>
  infiniteQueryOptions({
    queryKey: ['stimuli', asked],
    queryFn: async ({ pageParam }) => {
      const query = [asked, pageParam === '' ? '' : `cursor=${encodeURIComponent(pageParam)}`].filter((one) => one !== '').join('&')
      return (await call<StimulusPage>('GET', `/stimuli?${query}`)).body
    },
    initialPageParam: '',
    getNextPageParam: (page) => page.meta.next_cursor,
    placeholderData: keepPreviousData,
  })

export const fetchStimulus = async (id: string) => (await call<{ data: WholeStimulus }>('GET', `/stimuli/${id}`)).body.data
export const stimulusQuery = (id: string) => queryOptions({ queryKey: ['stimulus', id], queryFn: () => fetchStimulus(id) })

export const createStimulus = async (slug: string, stimulus: StimulusJson, folders: string[][], note: string) =>
  (await call<{ data: WholeStimulus }>('POST', `/banks/${slug}/stimuli`, { stimulus, folders, note }, { 'Idempotency-Key': stimulus.id }))
    .body.data
export const saveStimulus = async (stimulus: StimulusJson, base: number, note: string) =>
  (await call<{ data: WholeStimulus }>('PUT', `/stimuli/${stimulus.id}`, { stimulus, note }, { 'If-Match': `"${base}"` })).body.data
export const placeStimulus = async (id: string, change: { folders?: string[][]; binned?: boolean }) =>
  (await call<{ data: WholeStimulus }>('PATCH', `/stimuli/${id}`, change)).body.data

export const stimulusRevisionsQuery = (id: string) =>
  queryOptions({
    queryKey: ['stimulus', id, 'revisions'],
    queryFn: async () => (await call<{ data: Revision[] }>('GET', `/stimuli/${id}/revisions`)).body.data,
  })
export const stimulusRevisionQuery = (id: string, number: number, since?: number) =>
  queryOptions({
    queryKey: ['stimulus', id, 'revision', number, since ?? 'before'],
    queryFn: async () =>
      (
        await call<{ content: StimulusJson; differences: Difference[] }>(
          'GET',
          `/stimuli/${id}/revisions/${number}${since === undefined ? '' : `?since=${since}`}`,
        )
      ).body,
    staleTime: Number.POSITIVE_INFINITY,
  })
