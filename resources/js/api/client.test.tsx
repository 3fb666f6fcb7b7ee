import { afterEach, expect, it, vi } from 'vitest'
import { ApiProblem, call } from './client'

const answer = (status: number, body: unknown) => new Response(JSON.stringify(body), { status, headers: { ETag: '"3"' } })

afterEach(() => vi.unstubAllGlobals())

it('asks for a new token once when the old one is no longer good, and sends the same again', async () => {
  const sent: [string, string | undefined][] = []
  vi.stubGlobal('fetch', async (path: string, init?: RequestInit) => {
    sent.push([path, init?.body?.toString()])
    if (path === '/sanctum/csrf-cookie') return new Response(null, { status: 204 })
    return sent.length === 2 ? answer(419, {}) : answer(200, { data: 1 })
  })
  const { body, etag } = await call<{ data: number }>('POST', '/score', { a: 1 })
  expect(body.data).toBe(1)
  expect(etag).toBe('"3"')
  expect(sent.map(([path]) => path)).toEqual(['/sanctum/csrf-cookie', '/api/v1/score', '/sanctum/csrf-cookie', '/api/v1/score'])
  expect(sent[3]?.[1]).toBe(sent[1]?.[1])
})

it.each([
  ['a status', 'PATCH', { status: 'approved' }, true],
  ['a deletion', 'DELETE', undefined, true],
  ['a long text', 'PUT', { body: 'x'.repeat(5000) }, false],
  ['a file', 'POST', new Blob(['x']), false],
  ['what is only read', 'GET', undefined, false],
])('lets a short change reach the server although its page is left at once: %s', async (_, method, body, isKept) => {
  vi.stubGlobal('document', { cookie: 'XSRF-TOKEN=a' })
  const kept: unknown[] = []
  vi.stubGlobal('fetch', async (_path: string, init?: RequestInit) => {
    kept.push(init?.keepalive)
    return answer(200, {})
  })
  await call(method, '/questions/q', body)
  expect(kept).toEqual([isKept])
})

it('says in our words when the server cannot be reached', async () => {
  vi.stubGlobal('fetch', async () => {
    throw new TypeError('network')
  })
  await expect(call('GET', '/me')).rejects.toMatchObject({ status: 0, type: 'offline' })
})

it('carries the sentence and the place of a problem', async () => {
  vi.stubGlobal('fetch', async () => answer(422, { type: 'urn:x', detail: 'This is no number.', path: '/parts/0/points' }))
  const problem = await call('GET', '/x').catch((caught) => caught)
  expect(problem).toBeInstanceOf(ApiProblem)
  expect([problem.message, problem.path]).toEqual(['This is no number.', '/parts/0/points'])
})

it('waits its turn when too much is asked at once, but not for long', async () => {
  vi.useFakeTimers()
  const busy = (seconds: string) => new Response('{}', { status: 429, headers: { 'Retry-After': seconds } })
  const answers = [busy('1'), busy('1'), answer(200, { data: 1 }), busy('60')]
  vi.stubGlobal('fetch', async () => answers.shift())
  const first = call<{ data: number }>('GET', '/present')
  await vi.advanceTimersByTimeAsync(2100)
  expect((await first).body.data).toBe(1)
  await expect(call('GET', '/present')).rejects.toMatchObject({ status: 429 })
  vi.useRealTimers()
})

it('says that the session has ended, but not to who only asks whether there is one', async () => {
  vi.stubGlobal('fetch', async () => answer(401, { detail: 'Sign in.' }))
  const told: string[] = []
  const listen = () => told.push('signed out')
  window.addEventListener('signed-out', listen)
  await expect(call('GET', '/me')).rejects.toMatchObject({ status: 401 })
  expect(told).toEqual([])
  await expect(call('GET', '/banks')).rejects.toMatchObject({ status: 401 })
  expect(told).toEqual(['signed out'])
  window.removeEventListener('signed-out', listen)
})
