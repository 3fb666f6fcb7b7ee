import { keepPreviousData, queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type * as schema from './schema'

export type Blueprint = schema.Blueprint
export type BlueprintContent = schema.BlueprintContent
export type BlueprintRow = schema.BlueprintRow
export type BlueprintTable = NonNullable<BlueprintContent['tables']>[number]
export type BlueprintLine = NonNullable<BlueprintTable['rows']>[number]
export type BlueprintCell = NonNullable<BlueprintTable['cells']>[number]
export type BlueprintRule = NonNullable<BlueprintContent['rules']>[number]
export type BlueprintQuestion = schema.BlueprintQuestion
export type BlueprintValue = schema.BlueprintValue
export type Availability = schema.BlueprintAvailability
export type Assembled = schema.Assembled
export type AssembledTest = schema.AssembledTest
export type FoundQuestion = AssembledTest['questions'][number]
export type Range = { min?: number; max?: number }
export type Where = Record<string, string[]>

export const blueprintsQuery = (isBin: boolean) =>
  queryOptions({
    queryKey: ['blueprints', isBin ? 'binned' : 'all'],
    queryFn: async () => (await call<schema.Answers['GET /blueprints']>('GET', isBin ? '/blueprints?is=binned' : '/blueprints')).body.data,
  })
export const blueprintQuery = (id: string) =>
  queryOptions({
    queryKey: ['blueprint', id],
    queryFn: async () => (await call<schema.Answers['GET /blueprints/{blueprint}']>('GET', `/blueprints/${id}`)).body.data,
    retry: false,
  })
export const makeBlueprint = async (about: { title: string; bank: string; like?: string; assessment?: string }, key: string) =>
  (await call<schema.Answers['POST /blueprints']>('POST', '/blueprints', about, { 'Idempotency-Key': key })).body.data
export const saveBlueprint = async (content: BlueprintContent, version: number) =>
  (
    await call<schema.Answers['PUT /blueprints/{blueprint}']>(
      'PUT',
      `/blueprints/${content.id}`,
      { content },
      { 'If-Match': `"${version}"` },
    )
  ).body.data
/** Into the bin. */
export const binBlueprint = (id: string) => call('DELETE', `/blueprints/${id}`)
export const restoreBlueprint = async (id: string) =>
  (await call<schema.Answers['POST /blueprints/{blueprint}/restore']>('POST', `/blueprints/${id}/restore`, {})).body.data

/** @param lines  what the numbers depend on, as text: banks, conditions, rows and columns */
export const availabilityQuery = (id: string, version: number, lines: string) =>
  queryOptions({
    queryKey: ['blueprint', id, 'availability', lines],
    queryFn: async () =>
      (await call<schema.Answers['GET /blueprints/{blueprint}/availability']>('GET', `/blueprints/${id}/availability`)).body.data,
    placeholderData: keepPreviousData,
    staleTime: 30_000,
    meta: { version },
  })
export const placeQuery = (id: string, place: string, lines: string) =>
  queryOptions({
    queryKey: ['blueprint', id, 'place', place, lines],
    queryFn: async () =>
      (
        await call<schema.Answers['GET /blueprints/{blueprint}/questions']>(
          'GET',
          `/blueprints/${id}/questions?place=${encodeURIComponent(place)}`,
        )
      ).body.data,
    staleTime: 30_000,
  })
export const valuesQuery = (id: string, of: string, banks: string[]) =>
  queryOptions({
    queryKey: ['blueprint', id, 'values', of, banks.join(' ')],
    queryFn: async () =>
      (await call<schema.Answers['GET /blueprints/{blueprint}/values']>('GET', `/blueprints/${id}/values?of=${of}`)).body.data,
    staleTime: 60_000,
  })
export type Ask = { seed?: number; kept?: string[]; apart?: string[]; without?: string[]; tests?: number; common?: number }
export const assemble = async (id: string, ask: Ask) =>
  (await call<schema.Answers['POST /blueprints/{blueprint}/assemble']>('POST', `/blueprints/${id}/assemble`, ask)).body.data
/** The same of the blueprint that an assessment was made from. */
export const assembleAgain = async (assessment: string, ask: Ask) =>
  (await call<schema.Answers['POST /assessments/{assessment}/assemble']>('POST', `/assessments/${assessment}/assemble`, ask)).body.data
export const blueprintCheckQuery = (assessment: string, version: number) =>
  queryOptions({
    queryKey: ['assessment', assessment, 'blueprint', version],
    queryFn: async () =>
      (await call<schema.Answers['GET /assessments/{assessment}/blueprint']>('GET', `/assessments/${assessment}/blueprint`)).body.data,
    placeholderData: keepPreviousData,
    staleTime: 0,
  })
export const makeAssessments = async (
  id: string,
  about: { title: string; bank: string; tests: string[][]; seed: number; folder: string[]; course: string; term: string },
  key: string,
) =>
  (
    await call<schema.Answers['POST /blueprints/{blueprint}/assessments']>('POST', `/blueprints/${id}/assessments`, about, {
      'Idempotency-Key': key,
    })
  ).body.data
