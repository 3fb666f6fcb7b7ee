import { queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type * as schema from './schema'

export type QuestionTable = schema.QuestionTable
export type TableMapping = schema.TableMapping
export type SheetMapping = TableMapping['sheets'][number]
export type Column = SheetMapping['columns'][number]
export type WrongRow = schema.WrongRow
export type TableCorrections = QuestionTable['corrections']

/** A table of an import: its first rows, how it is read, and rows with something wrong in them. */
export const tableQuery = (intake: string, file: string) =>
  queryOptions({
    queryKey: ['intake', intake, 'table', file],
    queryFn: async () =>
      (await call<schema.Answers['GET /intakes/{intake}/tables/{file}']>('GET', `/intakes/${intake}/tables/${file}`)).body.data,
  })

export const keepMapping = (name: string, mapping: TableMapping) => call('POST', '/table-mappings', { name, mapping })

export const forgetMapping = (id: string) => call('DELETE', `/table-mappings/${id}`)
