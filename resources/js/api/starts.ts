import { queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type { PathStep } from './queries'
import type { QuestionJson } from './question'

export type OwnStart = { id: string; name: string; question: QuestionJson }
export const startsQuery = queryOptions({
  queryKey: ['starts'],
  queryFn: async () => (await call<{ data: OwnStart[] }>('GET', '/starts')).body.data,
})
export const keepStart = async (name: string, question: QuestionJson) =>
  (await call<{ id: string }>('POST', '/starts', { name, question })).body.id
export const removeStart = (id: string) => call('DELETE', `/starts/${id}`)

export type ReplaceWish = { find: string; with: string; case: boolean; whole: boolean; only?: number[] }
export type FoundPlace = { path: PathStep[]; before: string; found: string; after: string }
export const replaceIn = async (question: QuestionJson, wish: ReplaceWish) =>
  (await call<{ question: QuestionJson; places: FoundPlace[] }>('POST', '/replace', { question, ...wish })).body
