/**
 * What a screen reads first, asked for while its code is still on the way. The first to ask for the same gets the answer; nobody gets it
 * twice, nor later, when it may be old.
 */
const OLD = 10_000
const answers = new Map<string, { at: number; response: Promise<Response> }>()

export function askEarly(path: string, ask: (path: string) => Promise<Response>): void {
  const response = ask(path)
  response.catch(() => undefined) // who asks for it sees that
  answers.set(path, { at: performance.now(), response })
}

/** After a change, what was read before it may be untrue. */
export const forgetEarly = () => answers.clear()

export function early(path: string): Promise<Response> | undefined {
  const answer = answers.get(path)
  answers.delete(path)
  return answer && performance.now() - answer.at < OLD ? answer.response : undefined
}
