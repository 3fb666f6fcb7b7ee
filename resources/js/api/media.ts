import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query'
import { settings } from '@/settings'
import { call } from './client'
import type * as schema from './schema'

export type Medium = schema.Medium
export type MediaPage = schema.MediaPage
export type MediumUses = schema.MediumUses

/** A piece that did not arrive is sent again, each time after a longer wait. */
const WAITS = [1000, 3000, 10_000, 30_000]

export const mediaAddress = (bank: string, id: string) => `/api/v1/banks/${bank}/media/${encodeURIComponent(id)}`

/** Media of a bank that meet an address such as words=beds&kind=image&only=unused. */
export const mediaQuery = (bank: string, asked: string) =>
  infiniteQueryOptions({
    queryKey: ['bank', bank, 'media', asked],
    queryFn: async ({ pageParam }) => {
      const query = [asked, pageParam === '' ? '' : `cursor=${encodeURIComponent(pageParam)}`].filter((one) => one !== '').join('&')
      return (await call<schema.Answers['GET /banks/{bank}/media']>('GET', `/banks/${bank}/media?${query}`)).body
    },
    initialPageParam: '',
    getNextPageParam: (page) => page.meta.next_cursor,
    placeholderData: keepPreviousData,
  })

const at = (bank: string, id: string) => `/banks/${bank}/media/${encodeURIComponent(id)}`

export const mediumQuery = (bank: string, id: string) =>
  queryOptions({
    queryKey: ['bank', bank, 'medium', id],
    queryFn: async () => (await call<schema.Answers['GET /banks/{bank}/media/{medium}/about']>('GET', `${at(bank, id)}/about`)).body.data,
  })
export const mediumUsesQuery = (bank: string, id: string) =>
  queryOptions({
    queryKey: ['bank', bank, 'medium', id, 'uses'],
    queryFn: async () => (await call<schema.Answers['GET /banks/{bank}/media/{medium}/uses']>('GET', `${at(bank, id)}/uses`)).body.data,
  })

export const changeMedium = async (bank: string, id: string, change: { name?: string; alt?: string | null; binned?: boolean }) =>
  (await call<schema.Answers['PATCH /banks/{bank}/media/{medium}']>('PATCH', at(bank, id), change)).body.data

/** Another medium in the place of one in the stimuli of a bank; gives those that changed. @param only these alone, to take it back */
export async function replaceInStimuli(bank: string, from: string, to: string, only?: string[]): Promise<string[]> {
  const { body } = await call<schema.Answers['POST /banks/{bank}/media/{medium}/stimuli']>('POST', `${at(bank, from)}/stimuli`, {
    to,
    ...(only ? { stimuli: only } : {}),
  })
  return body.data
}

/** Captions for a recording, from a transcript whose lines begin with their times. */
export async function makeCaptions(bank: string, recording: string, transcript: string): Promise<{ medium: Medium }> {
  const { body } = await call<schema.Answers['POST /banks/{bank}/media/{medium}/captions']>('POST', `${at(bank, recording)}/captions`, {
    transcript,
  })
  return { medium: body.data }
}

/** Takes a file into the library; a large one in pieces, so that a line that drops costs one of them. */
export async function addMedium(bank: string, file: File): Promise<{ medium: Medium; isNew: boolean }> {
  if (file.size > (settings.media?.atOnce ?? Number.POSITIVE_INFINITY)) return inPieces(bank, file)
  const form = new FormData()
  form.append('file', file)
  const { body } = await call<schema.Answers['POST /banks/{bank}/media']>('POST', `/banks/${bank}/media`, form)
  return { medium: body.data, isNew: body.is_new }
}

async function inPieces(bank: string, file: File) {
  const begun = await call<schema.Answers['POST /banks/{bank}/uploads']>('POST', `/banks/${bank}/uploads`, {
    name: file.name,
    bytes: file.size,
  })
  const { id, piece } = begun.body.data
  for (let received = 0; received < file.size; ) {
    const some = file.slice(received, received + piece)
    received = await patiently(async () => {
      const { body } = await call<schema.Answers['PUT /uploads/{upload}']>('PUT', `/uploads/${id}?from=${received}`, some)
      return body.data.received
    })
  }
  const { body } = await call<schema.Answers['POST /uploads/{upload}/finish']>('POST', `/uploads/${id}/finish`, {})
  return { medium: body.data, isNew: body.is_new }
}

/** Again while the server cannot be reached; anything else it says is final. */
async function patiently<T>(send: () => Promise<T>): Promise<T> {
  for (const wait of WAITS) {
    try {
      return await send()
    } catch (problem) {
      if (!(problem instanceof Error) || !('status' in problem) || ![0, 502, 503].includes(Number(problem.status))) throw problem
      await new Promise((resolve) => setTimeout(resolve, wait))
    }
  }
  return send()
}
