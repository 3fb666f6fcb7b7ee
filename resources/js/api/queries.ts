import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type { Marks, QuestionJson, Responses } from './question'
import type * as schema from './schema'

export type WholeQuestion = schema.WholeQuestion
export type Page = schema.QuestionPage

export const meQuery = queryOptions({
  queryKey: ['me'],
  queryFn: async () => (await call<schema.Answers['GET /me']>('GET', '/me')).body.data,
  retry: false,
  staleTime: 60_000,
})

export const banksQuery = queryOptions({
  queryKey: ['banks'],
  queryFn: async () => (await call<schema.Answers['GET /banks']>('GET', '/banks')).body.data,
})

export const bankQuery = (slug: string) =>
  queryOptions({
    queryKey: ['bank', slug],
    queryFn: async () => (await call<schema.Answers['GET /banks/{bank}']>('GET', `/banks/${slug}`)).body.data,
  })

/** A bank, or everything one may read where none is named. */
const within = (slug: string) => (slug === '' ? '' : `/banks/${slug}`)

/** This page, a list on it, and a number that counts up: the server stops a search once a later one has begun. */
const page = Math.random().toString(36).slice(2)
let searches = 0
const overtaking = (list: string) => ({ 'Quarry-Search': `${page}-${list};${++searches}` })

/** What stood there stays until the new comes, but never under the name of another bank: a click would take what is not meant. */
const keptOf =
  (slug: string) =>
  <T>(before: T | undefined, query: { queryKey: readonly unknown[] } | undefined): T | undefined =>
    query?.queryKey[1] === slug ? before : undefined

/** The list a filter gives; the filter is the address as it stands. */
/** The first questions of all banks that have the words, the best first. */
export const findByName = async (words: string, most: number) =>
  (await call<schema.Answers['GET /questions']>('GET', `/questions?words=${encodeURIComponent(words)}&sort=best`)).body.data
    .slice(0, most)
    .map((row) => ({ id: row.id, title: row.title || row.title_marks.map(([words]) => words).join('') }))
export const questionsQuery = (slug: string, filter: string, isTheList = false) =>
  infiniteQueryOptions({
    queryKey: ['bank', slug, 'questions', filter],
    queryFn: async ({ pageParam, signal }) => {
      const query = [filter, pageParam === '' ? '' : `cursor=${encodeURIComponent(pageParam)}`].filter((one) => one !== '').join('&')
      return (
        await call<schema.Answers['GET /banks/{bank}/questions']>(
          'GET',
          `${within(slug)}/questions${query === '' ? '' : `?${query}`}`,
          undefined,
          isTheList ? overtaking('list') : {},
          { signal },
        )
      ).body
    },
    initialPageParam: '',
    getNextPageParam: (page) => page.meta.next_cursor,
    placeholderData: keptOf(slug),
  })

/** How many a filter finds, and of how many: asked for where the list has not counted them. */
export const countQuery = (slug: string, filter: string) =>
  queryOptions({
    queryKey: ['bank', slug, 'questions', filter, 'count'],
    queryFn: async ({ signal }) =>
      (
        await call<schema.Answers['GET /banks/{bank}/count']>('GET', `${within(slug)}/count?${filter}`, undefined, overtaking('count'), {
          signal,
        })
      ).body,
  })

export type Facets = schema.Facets
export const facetsQuery = (slug: string, filter: string, of: string[], exact = false) =>
  queryOptions({
    queryKey: ['bank', slug, 'facets', filter, of.join(), exact],
    queryFn: async ({ signal }) =>
      (
        await call<schema.Answers['GET /banks/{bank}/facets']>(
          'GET',
          `${within(slug)}/facets?${[...of.map((one) => `of=${one}`), ...(exact ? ['exact=1'] : []), filter].filter((one) => one !== '').join('&')}`,
          undefined,
          // those of the whole bank stand beside those of a filter, which must not stop them
          overtaking(`facets-${of.join('-')}${filter === '' ? '-whole' : ''}`),
          { signal },
        )
      ).body,
    placeholderData: keptOf(slug),
  })

export type TreeNodeRow = schema.TreeNodeRow
export type Trees = schema.Trees
export const treesQuery = (slug: string) =>
  queryOptions({
    queryKey: ['bank', slug, 'trees'],
    queryFn: async () => (await call<schema.Answers['GET /banks/{bank}/trees']>('GET', `/banks/${slug}/trees`)).body,
  })

export type Change = schema.ClassificationChange
export const changesQuery = (id: string) =>
  queryOptions({
    queryKey: ['question', id, 'changes'],
    queryFn: async () => (await call<schema.Answers['GET /questions/{question}/changes']>('GET', `/questions/${id}/changes`)).body.data,
  })

export type Revision = schema.Revision
export const revisionsQuery = (id: string) =>
  queryOptions({
    queryKey: ['question', id, 'revisions'],
    queryFn: async () => (await call<schema.Answers['GET /questions/{question}/revisions']>('GET', `/questions/${id}/revisions`)).body.data,
  })

/** A place in a question: names of fields, and things of lists by number, in their words. */
export type PathStep = schema.PathStep
export type Difference = schema.Difference
export const fetchRevision = async (id: string, number: number, since?: number) =>
  (
    await call<schema.Answers['GET /questions/{question}/revisions/{number}']>(
      'GET',
      `/questions/${id}/revisions/${number}${since === undefined ? '' : `?since=${since}`}`,
    )
  ).body
export const revisionQuery = (id: string, number: number, since?: number) =>
  queryOptions({
    queryKey: ['question', id, 'revision', number, since ?? 'before'],
    queryFn: () => fetchRevision(id, number, since),
    staleTime: Number.POSITIVE_INFINITY,
  })

export const fetchQuestion = async (id: string) =>
  (await call<schema.Answers['GET /questions/{question}']>('GET', `/questions/${id}`)).body.data
export const questionQuery = (id: string) => queryOptions({ queryKey: ['question', id], queryFn: () => fetchQuestion(id) })

/** What a stimulus is called beside its text, and the address its pictures are below. */
export type ShownStimulus = schema.ShownStimulus
export type Presented = schema.Presented
/** @param bank whose media are looked for, '' for none */
export const presentationQuery = (question: QuestionJson, seed: number, bank: string) =>
  queryOptions({
    queryKey: ['present', JSON.stringify(question), seed, bank],
    queryFn: async () =>
      (await call<schema.Answers['POST /present']>('POST', '/present', { question, seed, ...(bank === '' ? {} : { bank }) })).body,
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 30_000,
    placeholderData: keepPreviousData,
  })

export const signIn = async (email: string, password: string, code = '') =>
  (await call<schema.Answers['POST /session']>('POST', '/session', { email, password, ...(code === '' ? {} : { code }) })).body.data
export const signOut = () => call('DELETE', '/session')

export const score = async (
  question: QuestionJson,
  response: Responses,
  seed: number,
  earlierWrong: number,
  hints: number,
  marks: Marks = {},
  points?: number,
) =>
  (
    await call<schema.Answers['POST /score']>('POST', '/score', {
      question,
      response,
      marks,
      seed,
      earlier_wrong: earlierWrong,
      hints,
      ...(points === undefined ? {} : { points }),
    })
  ).body

export const createQuestion = async (slug: string, question: QuestionJson, note = '', folders: string[][] = []) =>
  (
    await call<schema.Answers['POST /banks/{bank}/questions']>(
      'POST',
      `/banks/${slug}/questions`,
      { question, note, folders },
      { 'Idempotency-Key': question.id },
    )
  ).body.data

export const saveQuestion = async (question: QuestionJson, base: number, note = '') =>
  (
    await call<schema.Answers['PUT /questions/{question}']>(
      'PUT',
      `/questions/${question.id}`,
      { question, note },
      { 'If-Match': `"${base}"` },
    )
  ).body.data

export type Autosave<Content = QuestionJson> = { base_revision: number | null; content: Content }
export const autosaveQuery = <Content = QuestionJson>(subject: string) =>
  queryOptions({
    queryKey: ['autosave', subject],
    // Unread is not empty: a desk that began without it would write over it.
    queryFn: async () => (await call<Autosave<Content> | null>('GET', `/autosaves/${encodeURIComponent(subject)}`)).body,
    staleTime: 0,
    gcTime: 0,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
  })
export const keepAutosave = (subject: string, content: unknown, base: number | null) =>
  call('PUT', `/autosaves/${encodeURIComponent(subject)}`, { content, base_revision: base })
export const forgetAutosave = (subject: string) => call('DELETE', `/autosaves/${encodeURIComponent(subject)}`)

/** The differences between two versions of a question, and my version with the chosen fields of theirs. */
export const merge = async (mine: QuestionJson, theirs: QuestionJson, chosen: string[] = []) =>
  (
    await call<schema.Answers['POST /merge']>('POST', '/merge', {
      mine,
      theirs,
      chosen,
    })
  ).body
