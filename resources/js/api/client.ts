import { texts } from '@/messages'
import { early, forgetEarly } from './early'
import { cookie, headers } from './get'

/** A problem as the server says it (RFC 9457). */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    readonly type: string,
    detail: string,
    readonly path: string | null,
    readonly body: Record<string, unknown>,
  ) {
    super(detail)
  }
}

export type Reply<T> = { body: T; etag: string | null }

const BYTES = 'application/octet-stream'

/** A change this short is sent even when its page is left at once; browsers hold 64 kB of all that is on its way so (Fetch, 4.6). */
const SHORT = 4096

/** The only fetch, but for what is asked for early. */
export async function call<T>(
  method: string,
  path: string,
  body?: unknown,
  more: Record<string, string> = {},
  { keepalive = false, signal }: { keepalive?: boolean; signal?: AbortSignal } = {},
): Promise<Reply<T>> {
  if (method !== 'GET' && cookie('XSRF-TOKEN') === '') await fetch('/sanctum/csrf-cookie', { credentials: 'same-origin' })
  const sent = body === undefined || body instanceof FormData || body instanceof Blob ? body : JSON.stringify(body)
  const send = () =>
    fetch(`/api/v1${path}`, {
      method,
      credentials: 'same-origin',
      keepalive: keepalive || (method !== 'GET' && (sent === undefined || (typeof sent === 'string' && sent.length < SHORT))),
      signal,
      headers: {
        ...headers(),
        // A form says itself where its parts end.
        ...(body === undefined || body instanceof FormData ? {} : { 'Content-Type': body instanceof Blob ? BYTES : 'application/json' }),
        ...more,
      },
      body: sent,
    }).catch((problem) => {
      if (signal?.aborted) throw problem // nobody waits for it any more
      throw new ApiProblem(0, 'offline', texts.problem.offline, null, {})
    })
  if (method !== 'GET') forgetEarly()
  const begun = method === 'GET' ? early(path) : undefined
  let response = await (begun?.catch(send) ?? send())
  if (response.status === 419) {
    await fetch('/sanctum/csrf-cookie', { credentials: 'same-origin' })
    response = await send()
  }
  // Fast typing can exceed the limit of concurrent requests (HeavyWork); wait and retry.
  for (let times = 0; response.status === 429 && times < 5; times++) {
    const seconds = Number(response.headers.get('Retry-After') ?? 0)
    if (seconds < 1 || seconds > 5) break
    await new Promise((resolve) => setTimeout(resolve, seconds * 1000))
    response = await send()
  }
  const removed = Number(response.headers.get('Quarry-Removed-Characters') ?? 0)
  if (removed > 0) window.dispatchEvent(new CustomEvent('characters-removed', { detail: removed }))
  const text = await response.text()
  const parsed = text === '' ? null : JSON.parse(text)
  if (response.status === 401 && path !== '/me' && path !== '/session') window.dispatchEvent(new Event('signed-out'))
  if (!response.ok)
    throw new ApiProblem(response.status, parsed?.type ?? '', parsed?.detail ?? texts.problem.title, parsed?.path ?? null, parsed ?? {})
  return { body: parsed as T, etag: response.headers.get('ETag') }
}
