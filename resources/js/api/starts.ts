import { queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type { QuestionJson } from './question'
import type * as schema from './schema'

export type OwnStart = schema.OwnStart
export const startsQuery = queryOptions({
  queryKey: ['starts'],
  queryFn: async () => (await call<schema.Answers['GET /starts']>('GET', '/starts')).body.data,
})
export const keepStart = async (name: string, question: QuestionJson) =>
  (await call<schema.Answers['POST /starts']>('POST', '/starts', { name, question })).body.id
export const removeStart = (id: string) => call('DELETE', `/starts/${id}`)

export type ReplaceWish = { find: string; with: string; case: boolean; whole: boolean; only?: number[] }
export type FoundPlace = schema.FoundPlace
export const replaceIn = async (question: QuestionJson, wish: ReplaceWish) =>
  (await call<schema.Answers['POST /replace']>('POST', '/replace', { question, ...wish })).body
