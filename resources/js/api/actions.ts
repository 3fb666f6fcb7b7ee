import { call } from './client'
import type { QuestionJson, RecordJson } from './question'
import type * as schema from './schema'

export type PathChange = schema.PathChange
export type Classification = Omit<schema.BulkChange, 'content' | 'bin' | 'home'>

/** The record of a question that is not stored yet, as the change leaves it. */
export const changeRecord = async (record: RecordJson, change: Classification) =>
  (await call<schema.Answers['POST /record']>('POST', '/record', { record, change })).body.record

export type TreeName = 'folders' | 'topics'
export const addNode = async (slug: string, tree: TreeName, name: string, parent: string | null) =>
  (await call<schema.Answers['POST /banks/{bank}/{tree}']>('POST', `/banks/${slug}/${tree}`, { name, parent })).body.id
export const changeNode = (slug: string, tree: TreeName, id: string, change: { name?: string; parent?: string | null }) =>
  call('PATCH', `/banks/${slug}/${tree}/${id}`, change)
export const removeNode = async (slug: string, tree: TreeName, id: string) =>
  (await call<schema.Answers['DELETE /banks/{bank}/{tree}/{node}']>('DELETE', `/banks/${slug}/${tree}/${id}`)).body

export type BankAbout = {
  name?: string
  purpose?: string
  subject?: string
  level?: string
  course?: string
  term?: string
  archived?: boolean
  lends?: boolean
  defaults?: Record<string, unknown>
}
export const makeBank = async (about: BankAbout, key: string) =>
  (await call<schema.Answers['POST /banks']>('POST', '/banks', about, { 'Idempotency-Key': key })).body.data
export const changeBank = async (slug: string, about: BankAbout) =>
  (await call<schema.Answers['PATCH /banks/{bank}']>('PATCH', `/banks/${slug}`, about)).body.data

export type Grant = schema.Grant
export const grants = async (slug: string) =>
  (await call<schema.Answers['GET /banks/{bank}/grants']>('GET', `/banks/${slug}/grants`)).body.data
/** Questions of an assessment in the bank that somebody it is shared with cannot view. */
export type HiddenUse = schema.HiddenUse
/** Sets all rights; answers with the questions that some people cannot view. */
export const setGrants = async (slug: string, list: Grant[], words = '') =>
  (
    await call<schema.Answers['PUT /banks/{bank}/grants']>('PUT', `/banks/${slug}/grants`, {
      grants: list.map(({ person, team, role }) => ({ person, team, role })),
      ...(words.trim() === '' ? {} : { words: words.trim() }),
    })
  ).body.hidden
export const everybody = async () => (await call<schema.Answers['GET /people']>('GET', '/people')).body

/** Pasted lines without their numbering; and as pairs, where each holds two things. */
export type PastedLines = schema.PastedLines
export const optionLines = async (text: string) => (await call<schema.Answers['POST /lines']>('POST', '/lines', { text })).body

export type Offer = schema.ConversionOffer
/** What a part can become, each with the question as it would be. */
export const conversions = async (question: QuestionJson, part: string) =>
  (await call<schema.Answers['POST /convert']>('POST', '/convert', { question, part })).body.offers
export const joinJudged = async (questions: string[]) =>
  (await call<schema.Answers['POST /convert/join']>('POST', '/convert/join', { questions })).body
export const splitJudged = async (bank: string, question: QuestionJson, store: boolean) =>
  (await call<schema.Answers['POST /banks/{bank}/split']>('POST', `/banks/${bank}/split`, { question, store })).body
export const cellsOf = async (text: string) => (await call<schema.Answers['POST /cells']>('POST', '/cells', { text })).body.rows
export type TableWish = {
  rows: string[][]
  answers: [number, number][]
  kind: string
  points: number
  header: boolean
  side: boolean
  taken: string[]
}
export const answerTable = async (wish: TableWish) => (await call<schema.Answers['POST /answer-table']>('POST', '/answer-table', wish)).body

/** A text with every word that is in no piece yet made one. */
export const everyWord = async (html: string) => (await call<schema.Answers['POST /pieces']>('POST', '/pieces', { text: html })).body.text
export const faultsOf = async (faulty: string, right: string) =>
  (await call<schema.Answers['POST /faults']>('POST', '/faults', { faulty, right })).body
