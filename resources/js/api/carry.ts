import { keepPreviousData, queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type * as schema from './schema'

export type CarryPreview = schema.CarryPreview

/** What is carried over to another bank, and how; either into or new_bank is given. */
export type CarryPlan = {
  into?: string
  new_bank?: string
  filter?: string
  folders: string[]
  assessments: string[]
  how: 'copies' | 'placements'
  folder: string[]
  topics: { from: string[]; to: string[] | null }[]
  frameworks: Record<string, string | null>
}

export const carryPreviewQuery = (slug: string, plan: CarryPlan) =>
  queryOptions({
    queryKey: ['bank', slug, 'carry', plan],
    queryFn: async () =>
      (await call<schema.Answers['POST /banks/{bank}/carry/preview']>('POST', `/banks/${slug}/carry/preview`, plan)).body.data,
    placeholderData: keepPreviousData,
    staleTime: 0,
  })

/** @param key the same for the same wish, so that a second try carries nothing over twice */
export const carryOver = async (slug: string, plan: CarryPlan, key: string) =>
  (await call<schema.Answers['POST /banks/{bank}/carry']>('POST', `/banks/${slug}/carry`, plan, { 'Idempotency-Key': key })).body
