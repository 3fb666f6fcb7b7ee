import { queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type * as schema from './schema'

export type Migration = schema.Migration
export type StatedDraw = schema.StatedDraw
export type TallyLine = schema.TallyLine
export type Assumption = schema.Assumption
export type MigrationChange = { pattern?: string; names?: Record<string, string>; lines?: StatedDraw[]; copy?: string }

type Answer = schema.Answers['GET /intakes/{intake}/migration']

/** How an import is regrouped, and what the old system had. With a pattern: how it would be. */
export const migrationQuery = (intake: string, pattern?: string) =>
  queryOptions({
    queryKey: ['intake', intake, 'migration', pattern ?? null],
    queryFn: async () =>
      (await call<Answer>('GET', `/intakes/${intake}/migration${pattern === undefined ? '' : `?pattern=${encodeURIComponent(pattern)}`}`))
        .body.data,
    placeholderData: (before: Migration | undefined) => before,
    retry: false,
  })

export const changeMigration = async (intake: string, change: MigrationChange) =>
  (await call<Answer>('PUT', `/intakes/${intake}/migration`, change)).body.data

type Recalled = schema.Answers['POST /intakes/{intake}/migration/recall']

export const recallWords = async (intake: string, text: string) =>
  (await call<Recalled>('POST', `/intakes/${intake}/migration/recall`, { text })).body

export async function recallFile(intake: string, file: File) {
  const form = new FormData()
  form.append('file', file)
  return (await call<Recalled>('POST', `/intakes/${intake}/migration/recall`, form)).body
}

export const askToConfirm = (receipt: string, email: string, words: string) =>
  call('POST', `/receipts/${receipt}/assumptions`, { email, words })

export const confirmAssumption = (receipt: string, number: number) => call('POST', `/receipts/${receipt}/assumptions/${number}`)

/** The folders a pattern makes of what meets a filter in a bank. */
export const regroupQuery = (slug: string, filter: string, pattern: string) =>
  queryOptions({
    queryKey: ['bank', slug, 'regroup', filter, pattern],
    queryFn: async () =>
      (
        await call<{ tree: Migration['tree']; questions: number }>('POST', `/banks/${slug}/regroup/preview`, {
          filter,
          pattern,
        })
      ).body,
    staleTime: 0,
    retry: false,
  })

export const regroupBank = async (slug: string, filter: string, pattern: string) =>
  (await call<schema.Answers['POST /banks/{bank}/regroup']>('POST', `/banks/${slug}/regroup`, { filter, pattern })).body
