import type { Act } from './acts'
import { call } from './client'
import type { Part, QuestionJson, RecordJson, Rule } from './question'
import type { Bank } from './schema'

export type PathChange = { set?: string[][]; add?: string[][]; remove?: string[][] }
export type Classification = {
  record?: Record<string, { set?: unknown; add?: string[]; remove?: string[] }>
  topics?: PathChange
  folders?: PathChange
}

/** The record of a question that is not stored yet, as the change leaves it. */
export const changeRecord = async (record: RecordJson, change: Classification) =>
  (await call<{ record: RecordJson }>('POST', '/record', { record, change })).body.record

export type TreeName = 'folders' | 'topics'
export const addNode = async (slug: string, tree: TreeName, name: string, parent: string | null) =>
  (await call<{ id: string }>('POST', `/banks/${slug}/${tree}`, { name, parent })).body.id
export const changeNode = (slug: string, tree: TreeName, id: string, change: { name?: string; parent?: string | null }) =>
  call('PATCH', `/banks/${slug}/${tree}/${id}`, change)
export const removeNode = async (slug: string, tree: TreeName, id: string) =>
  (await call<Act>('DELETE', `/banks/${slug}/${tree}/${id}`)).body

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
  (await call<{ data: Bank }>('POST', '/banks', about, { 'Idempotency-Key': key })).body.data
export const changeBank = async (slug: string, about: BankAbout) => (await call<{ data: Bank }>('PATCH', `/banks/${slug}`, about)).body.data

export type Grant = { person: string | null; team: string | null; name: string; role: string }
export const grants = async (slug: string) => (await call<{ data: Grant[] }>('GET', `/banks/${slug}/grants`)).body.data
/** Questions of an assessment in the bank that somebody it is shared with cannot view. */
export type HiddenUse = { assessment: string; title: string; person: string; questions: number }
/** Sets all rights; answers with the questions that some people cannot view. */
export const setGrants = async (slug: string, list: Grant[], words = '') =>
  (
    await call<{ data: Grant[]; hidden: HiddenUse[] }>('PUT', `/banks/${slug}/grants`, {
      grants: list.map(({ person, team, role }) => ({ person, team, role })),
      ...(words.trim() === '' ? {} : { words: words.trim() }),
    })
  ).body.hidden
export const everybody = async () =>
  (await call<{ people: { id: string; name: string }[]; teams: { id: string; name: string }[] }>('GET', '/people')).body

/** Pasted lines without their numbering; and as pairs, where each holds two things. */
export type PastedLines = { lines: string[]; pairs: [string, string][] | null }
export const optionLines = async (text: string) => (await call<PastedLines>('POST', '/lines', { text })).body

export type Offer = { to: string; question: QuestionJson; losses: string[] }
/** What a part can become, each with the question as it would be. */
export const conversions = async (question: QuestionJson, part: string) =>
  (await call<{ offers: Offer[] }>('POST', '/convert', { question, part })).body.offers
export const joinJudged = async (questions: string[]) =>
  (await call<{ question: QuestionJson; losses: string[] }>('POST', '/convert/join', { questions })).body
export const splitJudged = async (bank: string, question: QuestionJson, store: boolean) =>
  (await call<{ questions: string[]; losses: string[] }>('POST', `/banks/${bank}/split`, { question, store })).body
export const cellsOf = async (text: string) => (await call<{ rows: string[][] }>('POST', '/cells', { text })).body.rows
export type TableWish = {
  rows: string[][]
  answers: [number, number][]
  kind: string
  points: number
  header: boolean
  side: boolean
  taken: string[]
}
export const answerTable = async (wish: TableWish) => (await call<{ html: string; parts: Part[] }>('POST', '/answer-table', wish)).body

/** A text with every word that is in no piece yet made one. */
export const everyWord = async (html: string) => (await call<{ text: string }>('POST', '/pieces', { text: html })).body.text
export const faultsOf = async (faulty: string, right: string) =>
  (await call<{ text: string; rules: Rule[] }>('POST', '/faults', { faulty, right })).body
