import { keepPreviousData, queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type { QuestionJson } from './question'
import type * as schema from './schema'

export type Variables = schema.Variables
export type Variable = schema.Variable
export type ValueFormat = schema.ValueFormat
export type ValuesRead = schema.ValuesRead
export type ValueProblem = schema.ValueProblem
export type RollStudy = schema.RollStudy
export type StudiedValue = schema.StudiedValue

/** Values as they were understood: formulas typeset, examples, and what is wrong where. */
export const valuesQuery = (variables: Variables, language: string) =>
  queryOptions({
    queryKey: ['values', JSON.stringify(variables), language],
    queryFn: async () => (await call<schema.Answers['POST /values']>('POST', '/values', { variables, language })).body,
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 30_000,
    placeholderData: keepPreviousData,
  })

/** What the rolls of a question come to; the record has no part in it. */
export const studyQuery = ({ record: _, ...question }: QuestionJson) =>
  queryOptions({
    queryKey: ['study', JSON.stringify(question)],
    queryFn: async () => (await call<schema.Answers['POST /study']>('POST', '/study', { question })).body,
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    placeholderData: keepPreviousData,
  })

export const renameValue = async (question: QuestionJson, from: string, to: string) =>
  (await call<schema.Answers['POST /values/rename']>('POST', '/values/rename', { question, from, to })).body.question

/** Puts a value in the place of a number everywhere; the first free letter where no name is given. */
export const letVary = async (question: QuestionJson, number: string) =>
  (await call<schema.Answers['POST /values/vary']>('POST', '/values/vary', { question, number })).body

/** A number with a unit as it is read, before anybody says whether it is right. */
export const understoodQuery = (text: string, language: string, notations: string[] | undefined) =>
  queryOptions({
    queryKey: ['understood', text, language, notations],
    queryFn: async () =>
      (await call<schema.Answers['POST /understood']>('POST', '/understood', { text, language, ...(notations ? { notations } : {}) })).body,
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 30_000,
  })
