import { describe, expect, test } from 'vitest'
import { AGAIN, begin, type Effect, HERE, type Rules, type SaveEvent, type SaveState, step } from './machine'

const asked: Rules = { saves: 'when asked', rest: 1200, subjectOf: (id) => id }
const each: Rules = { saves: 'each change', rest: 400, subjectOf: () => 'a1' }
const problem = new Error('No.')

/** Walks through events, and says the last state with all that was to be done on the way. */
function walk(rules: Rules, events: SaveEvent<string>[], start = begin('q1', 'first', 1, false)) {
  let state: SaveState<string> = start
  const did: Effect<string>[] = []
  for (const event of events) {
    const [next, effects] = step(state, event, rules)
    state = next
    did.push(...effects)
  }
  return { state, did, last: did.at(-1) }
}
const typed = (content: string): SaveEvent<string> => ({ type: 'changed', content })
const failed = (status: number, newest?: number): SaveEvent<string> => ({ type: 'failed', status, problem, newest })

describe('a revision saved when asked', () => {
  test('typing is kept here soon and as a draft after a rest', () => {
    const { state, did } = walk(asked, [typed('a'), { type: 'paused' }, { type: 'rested' }])
    expect(did).toEqual([
      { do: 'wait', event: 'paused', ms: HERE },
      { do: 'wait', event: 'rested', ms: 1200 },
      { do: 'keep here', subject: 'q1', content: 'a', base: 1 },
      { do: 'keep draft', subject: 'q1', content: 'a', base: 1 },
    ])
    expect(state.keeping).toBe('typing')
  })

  test('a draft of a new thing stands on no revision', () => {
    const { last } = walk(asked, [typed('a'), { type: 'rested' }], begin('new:b', '', 0, false))
    expect(last).toEqual({ do: 'keep draft', subject: 'new:b', content: 'a', base: null })
  })

  test('undone to what is saved, nothing is left to restore', () => {
    const { state, did } = walk(asked, [
      typed('a'),
      { type: 'rested' },
      { type: 'draft kept', subject: 'q1', content: 'a' },
      typed('first'),
    ])
    expect(state.keeping).toBe('saved')
    expect(did.slice(-2)).toEqual([
      { do: 'forget here', subject: 'q1' },
      { do: 'forget draft', subject: 'q1' },
    ])
  })

  test('a page that began with a draft keeps it, whatever is undone, until it is saved', () => {
    const { state, did } = walk(asked, [typed('a'), typed('draft'), { type: 'left' }], begin('q1', 'draft', 1, true))
    expect(did.map((one) => one.do)).toEqual(['wait', 'wait', 'wait', 'wait', 'keep here'])
    expect(walk(asked, [{ type: 'save' }, { type: 'saved', saved: { id: 'q1', revision: 2 } }], state).state.keeping).toBe('saved')
    expect(walk(asked, [{ type: 'left' }], begin('q1', 'draft', 1, true)).did).toEqual([])
  })

  test.each([
    ['the draft of what was saved', 'ab'],
    ['an older draft', 'a'],
  ])('%s does not outlive the revision', (_, content) => {
    const saving: SaveEvent<string>[] = [typed('ab'), { type: 'save' }, { type: 'saved', saved: { id: 'q1', revision: 2 } }]
    const { state, last } = walk(asked, [...saving, { type: 'draft kept', subject: 'q1', content }])
    expect(state.keeping).toBe('saved')
    expect(last).toEqual({ do: 'forget draft', subject: 'q1' })
  })

  test('a draft that arrives while more was typed says nothing of the page', () => {
    expect(walk(asked, [typed('a'), typed('ab'), { type: 'draft kept', subject: 'q1', content: 'a' }]).state.keeping).toBe('typing')
  })

  test('a second save while one is under way is not sent', () => {
    const { did } = walk(asked, [typed('a'), { type: 'save' }, typed('ab'), { type: 'save' }])
    expect(did.filter((one) => one.do === 'send')).toEqual([{ do: 'send', content: 'a', base: 1, note: '' }])
  })

  test('a conflict keeps the base and the typing; the merged version follows the newer one', () => {
    const conflict = walk(asked, [typed('a'), { type: 'save' }, failed(412, 4)])
    expect(conflict.state).toMatchObject({ conflict: 4, revision: 1, content: 'a', problem: null })
    expect(conflict.last).toEqual({ do: 'keep here', subject: 'q1', content: 'a', base: 1 })
    const merged = walk(asked, [{ type: 'save', content: 'both', base: 4, note: 'merged' }], conflict.state)
    expect(merged.last).toEqual({ do: 'send', content: 'both', base: 4, note: 'merged' })
    const done = walk(asked, [typed('both'), { type: 'saved', saved: { id: 'q1', revision: 5 } }], merged.state)
    expect(done.state).toMatchObject({ conflict: null, revision: 5, keeping: 'saved' })
  })

  test.each([0, 401, 403, 409, 422, 500])('a save that fails with %i says why and loses nothing', (status) => {
    const { state, last } = walk(asked, [typed('a'), { type: 'save' }, failed(status)])
    expect(state).toMatchObject({ problem, sending: null, content: 'a', settled: 'first', revision: 1 })
    expect(last).toMatchObject({ do: 'keep here', content: 'a' })
  })

  test('what is typed while a new thing is saved is kept for its own page', () => {
    const start = begin('new:b', '', 0, false)
    const { state, did } = walk(
      asked,
      [typed('a'), { type: 'save' }, typed('ab'), { type: 'saved', saved: { id: 'q9', revision: 1 } }],
      start,
    )
    expect(state).toMatchObject({ subject: 'q9', revision: 1, settled: 'a', keeping: 'typing' })
    expect(did).toContainEqual({ do: 'forget draft', subject: 'new:b' })
    expect(did).toContainEqual({ do: 'keep here', subject: 'q9', content: 'ab', base: 1 })
  })
})

describe('a document saved with each change', () => {
  test('a change is sent after a rest, one at a time, and the next follows', () => {
    const sent = walk(each, [typed('a'), { type: 'rested' }, typed('ab'), { type: 'rested' }])
    expect(sent.did.filter((one) => one.do === 'send')).toHaveLength(1)
    const next = walk(each, [{ type: 'saved', saved: { id: 'a1', revision: 2 } }, { type: 'rested' }], sent.state)
    expect(next.last).toEqual({ do: 'send', content: 'ab', base: 2, note: '' })
  })

  test.each([0, 401, 419, 429, 500, 503])('after %i it is kept here and tried again', (status) => {
    const { state, did } = walk(each, [typed('a'), { type: 'rested' }, failed(status)])
    expect(state.keeping).toBe('only here')
    expect(did.slice(-2)).toEqual([
      { do: 'keep here', subject: 'q1', content: 'a', base: 1 },
      { do: 'wait', event: 'rested', ms: AGAIN },
    ])
    expect(walk(each, [{ type: 'rested' }], state).last).toMatchObject({ do: 'send', content: 'a' })
  })

  test.each([403, 404, 409, 422])('after %i it waits for the next change', (status) => {
    const { state, last } = walk(each, [typed('a'), { type: 'rested' }, failed(status)])
    expect(state).toMatchObject({ keeping: 'refused', problem })
    expect(last).toMatchObject({ do: 'keep here' })
    expect(walk(each, [typed('b'), { type: 'rested' }], state).last).toMatchObject({ do: 'send', content: 'b' })
  })

  test('the newer version of somebody else takes the place', () => {
    const { state, last } = walk(each, [typed('a'), { type: 'rested' }, failed(412, 7)])
    expect(last).toEqual({ do: 'take theirs' })
    const now = walk(each, [{ type: 'replaced', content: 'theirs', revision: 7 }, typed('theirs')], state)
    expect(now.state).toMatchObject({ content: 'theirs', settled: 'theirs', revision: 7, keeping: 'saved' })
  })

  test('leaving sends what is left, and keeps it here in case it does not arrive', () => {
    const { did } = walk(each, [typed('a'), { type: 'left' }])
    expect(did.slice(-2).map((one) => one.do)).toEqual(['keep here', 'send'])
  })
})

describe.each([
  ['when asked', asked],
  ['each change', each],
])('saved %s', (_, rules) => {
  /** A small generator (Park and Miller 1988), so that a failure can be repeated. */
  const random = (seed: number) => () => {
    seed = (seed * 48271) % 2147483647
    return seed / 2147483647
  }

  test('whatever happens in whatever order, the page is saved, in a draft, in this browser, or about to be', () => {
    for (let seed = 1; seed <= 300; seed++) {
      const next = random(seed)
      const pick = <T>(list: T[]) => list[Math.floor(next() * list.length)] as T
      let state = begin('new:b', 'v0', pick([0, 1]), false)
      const here = new Map<string, string>()
      const drafts = new Map<string, string>()
      const flying: { subject: string; content: string }[] = []
      const waiting = new Set<string>()
      for (let n = 1; n <= 60; n++) {
        const draft = flying[0]
        const events: SaveEvent<string>[] = [typed(`v${n}`), typed(state.settled ?? ''), { type: 'save' }, { type: 'left' }]
        if (waiting.has('paused')) events.push({ type: 'paused' })
        if (waiting.has('rested')) events.push({ type: 'rested' })
        if (draft) events.push({ type: 'draft kept', ...draft }, { type: 'draft failed', content: draft.content })
        if (state.sending)
          events.push(
            { type: 'saved', saved: { id: 'q9', revision: state.sending.base + 1 } },
            failed(pick([0, 401, 422, 500])),
            ...(rules.saves === 'when asked' ? [failed(412, state.revision + 1)] : []),
          )
        const event = pick(events)
        if (event.type === 'paused' || event.type === 'rested') waiting.delete(event.type)
        if (event.type === 'draft kept' || event.type === 'draft failed') {
          flying.shift()
          if (event.type === 'draft kept' && draft) drafts.set(draft.subject, draft.content)
        }
        const [after, effects] = step(state, event, rules)
        state = after
        for (const effect of effects) {
          if (effect.do === 'keep here') here.set(effect.subject, effect.content)
          if (effect.do === 'forget here') here.delete(effect.subject)
          if (effect.do === 'keep draft') flying.push({ subject: effect.subject, content: effect.content })
          if (effect.do === 'forget draft') drafts.delete(effect.subject)
          if (effect.do === 'wait') waiting.add(effect.event)
          if (effect.do === 'stop waiting') waiting.clear()
        }
        const safe =
          state.content === state.settled ||
          here.get(state.subject) === state.content ||
          drafts.get(state.subject) === state.content ||
          waiting.has('paused')
        expect(safe, `seed ${seed}, step ${n}: ${event.type}`).toBe(true)
        // Nothing is restored later that is older than what is saved.
        if (state.content === state.settled && !state.sending && flying.length === 0)
          expect(drafts.has(state.subject), `seed ${seed}, step ${n}: ${event.type}`).toBe(false)
      }
    }
  })
})
