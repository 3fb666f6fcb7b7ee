// Forms of an assessment, its papers, and what was printed.

import { queryOptions } from '@tanstack/react-query'
import type { PrintSettings } from './assembly'
import { ApiProblem, call } from './client'
import type * as schema from './schema'

export type FormSet = schema.FormSet
export type TestForm = schema.TestForm
export type FormEntry = schema.FormEntry
export type FormSetRow = schema.FormSetRow
export type PrintReceipt = schema.PrintReceipt
export type PrintTemplate = schema.PrintTemplate
export type PrintedPaper = schema.PrintedPaper
export type Print = schema.PrintMade

export const formSetsQuery = (assessment: string) =>
  queryOptions({
    queryKey: ['assessment', assessment, 'forms'],
    queryFn: async () =>
      (await call<schema.Answers['GET /assessments/{assessment}/forms']>('GET', `/assessments/${assessment}/forms`)).body.data,
  })

export const formSetQuery = (assessment: string, set: string) =>
  queryOptions({
    queryKey: ['assessment', assessment, 'forms', set],
    queryFn: async () =>
      (await call<schema.Answers['GET /assessments/{assessment}/forms/{set}']>('GET', `/assessments/${assessment}/forms/${set}`)).body.data,
  })

export const makeForms = async (assessment: string, body: { count: number; seed: number; longest_run: number }) =>
  (await call<schema.Answers['POST /assessments/{assessment}/forms']>('POST', `/assessments/${assessment}/forms`, body)).body.data

/** What is asked for: which papers, of which forms of which set. */
export type Asked = { which: string; set: string; forms: string }

/** As the end of an address. */
export const askedText = ({ which, set, forms }: Asked) => new URLSearchParams({ which, ...(set ? { set, forms } : {}) }).toString()

const PAUSE = 600

/** Many papers are printed in the background: asks how far they are until they are there. */
async function ordered(assessment: string, order: string, onProgress: (share: number) => void, signal: AbortSignal): Promise<Print> {
  for (;;) {
    const path = `/assessments/${assessment}/print-orders/${order}`
    const { body } = await call<schema.Answers['GET /assessments/{assessment}/print-orders/{order}']>(
      'GET',
      path,
      undefined,
      {},
      { signal },
    )
    if (body.problem) throw new Error(body.problem)
    if (body.print) return body.print
    onProgress(body.done / body.total)
    await new Promise((resolve) => setTimeout(resolve, PAUSE))
  }
}

export const printQuery = (
  assessment: string,
  asked: Asked,
  version: number,
  print: string,
  onProgress: (share: number) => void = () => undefined,
) =>
  queryOptions({
    queryKey: ['assessment', assessment, 'print', asked, version, print],
    queryFn: async ({ signal }) => {
      const made = (
        await call<schema.Answers['POST /assessments/{assessment}/prints']>(
          'POST',
          `/assessments/${assessment}/prints`,
          { which: asked.which, ...(asked.set ? { set: asked.set, forms: asked.forms } : {}) },
          {},
          { signal },
        )
      ).body
      return made.order ? ordered(assessment, made.order, onProgress, signal) : (made as Print)
    },
    staleTime: Number.POSITIVE_INFINITY,
    // others of one's own are still being printed: those of a minute ago are done soon
    retry: (times, problem) => problem instanceof ApiProblem && problem.status === 429 && times < 15,
    retryDelay: 2000,
  })

export const keepPrint = async (assessment: string, print: string) =>
  (
    await call<schema.Answers['POST /assessments/{assessment}/prints/{print}/receipts']>(
      'POST',
      `/assessments/${assessment}/prints/${print}/receipts`,
    )
  ).body.data

export const receiptsQuery = (assessment: string) =>
  queryOptions({
    queryKey: ['assessment', assessment, 'receipts'],
    queryFn: async () =>
      (await call<schema.Answers['GET /assessments/{assessment}/receipts']>('GET', `/assessments/${assessment}/receipts`)).body.data,
  })

export const templatesQuery = (bank: string) =>
  queryOptions({
    queryKey: ['print-templates', bank],
    queryFn: async () =>
      (await call<schema.Answers['GET /banks/{bank}/print-templates']>('GET', `/banks/${bank}/print-templates`)).body.data,
  })

export const keepTemplate = (bank: string, title: string, settings: PrintSettings) =>
  call('PUT', `/banks/${bank}/print-templates`, { title, settings })

export const deleteTemplate = (bank: string, id: string) => call('DELETE', `/banks/${bank}/print-templates/${id}`)
