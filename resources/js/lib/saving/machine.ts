/**
 * How what is typed becomes saved: one machine for questions, staged questions, stimuli and assessments. It is a pure function from
 * a state and an event to the next state and what is to be done; useSaveMachine does it.
 *
 * What it promises: at any moment, what is on the page is in the last saved version, in a draft on the server, or in this browser
 * (or will be within HERE ms); and nothing older ever takes its place.
 */

/** Milliseconds after the last key until the browser keeps it. */
export const HERE = 200
/** Milliseconds until a draft, or what could not be stored, is sent again. */
export const AGAIN = 10_000

/** Where the newest typing is: in the saved version, only on the page, in a draft on the server, in this browser, or refused. */
export type Keeping = 'saved' | 'typing' | 'kept' | 'only here' | 'refused'

/** What saving answers: the thing's id and its newest revision or version. */
export type Saved = { id: string; revision: number }

export type Rules = {
  /** When it is asked for, with drafts on the server until then; or after each change. */
  saves: 'when asked' | 'each change'
  /** Milliseconds after the last change until the draft, or the change, is sent. */
  rest: number
  /** What a new thing's typing is kept under once it is stored. */
  subjectOf: (id: string) => string
}

export type SaveState<Content> = {
  /** What drafts are kept under. */
  subject: string
  content: Content
  /** As it was last saved; null where the page began with a draft. Compared by identity: undoing gives back the same value. */
  settled: Content | null
  /** The newest revision it stands on; 0 when it is not stored yet. */
  revision: number
  keeping: Keeping
  sending: { content: Content; base: number } | null
  /** The newer revision of somebody else that stands in the way. */
  conflict: number | null
  /** Why the last save was refused. */
  problem: Error | null
}

export type SaveEvent<Content> =
  | { type: 'changed'; content: Content }
  | { type: 'paused' }
  | { type: 'rested' }
  | { type: 'draft kept'; subject: string; content: Content }
  | { type: 'draft failed'; content: Content }
  /** `content` and `base`: instead of what is on the page, which may not be rendered yet. */
  | { type: 'save'; note?: string | undefined; content?: Content | undefined; base?: number | undefined }
  | { type: 'saved'; saved: Saved }
  /** @property status of HTTP; 0 when the server cannot be reached */
  | { type: 'failed'; status: number; problem: Error; newest?: number | undefined }
  /** The thing as somebody else, or another action, left it. */
  | { type: 'replaced'; content: Content; revision: number }
  | { type: 'left' }

export type Effect<Content> =
  | { do: 'keep here'; subject: string; content: Content; base: number | null }
  | { do: 'forget here'; subject: string }
  | { do: 'keep draft'; subject: string; content: Content; base: number | null }
  | { do: 'forget draft'; subject: string }
  | { do: 'send'; content: Content; base: number; note: string }
  | { do: 'wait'; event: 'paused' | 'rested'; ms: number }
  | { do: 'stop waiting' }
  /** Somebody else was faster, and there is nothing to ask: theirs takes the place, and undoing brings mine back. */
  | { do: 'take theirs' }

type Step<Content> = [SaveState<Content>, Effect<Content>[]]

export function begin<Content>(subject: string, content: Content, revision: number, dirty: boolean): SaveState<Content> {
  return {
    subject,
    content,
    settled: dirty ? null : content,
    revision,
    keeping: dirty ? 'kept' : 'saved',
    sending: null,
    conflict: null,
    problem: null,
  }
}

export function step<Content>(state: SaveState<Content>, event: SaveEvent<Content>, rules: Rules): Step<Content> {
  switch (event.type) {
    case 'changed':
      return changed(state, event.content, rules)
    case 'paused':
      return [state, unsaved(state) ? [keepHere(state)] : []]
    case 'rested':
      return rested(state, rules)
    case 'draft kept':
      return draftKept(state, event)
    case 'draft failed':
      if (event.content !== state.content || !unsaved(state)) return [state, []]
      return [{ ...state, keeping: 'only here' }, [keepHere(state), { do: 'wait', event: 'rested', ms: AGAIN }]]
    case 'save':
      return state.sending ? [state, []] : send(state, event)
    case 'saved':
      return saved(state, event.saved, rules)
    case 'failed':
      return failed(state, event, rules)
    case 'replaced':
      return [
        {
          ...state,
          content: event.content,
          settled: event.content,
          revision: event.revision,
          keeping: 'saved',
          conflict: null,
          problem: null,
        },
        [{ do: 'stop waiting' }, { do: 'forget here', subject: state.subject }],
      ]
    case 'left':
      if (!unsaved(state) || state.keeping === 'kept') return [state, []]
      return rules.saves === 'each change' && !state.sending ? withFirst(keepHere(state), send(state, {})) : [state, [keepHere(state)]]
  }
}

const unsaved = <Content>(state: SaveState<Content>) => state.content !== state.settled

/** The revision a draft stands on; none for a thing that is not stored. */
const baseOf = <Content>(state: SaveState<Content>) => (state.revision === 0 ? null : state.revision)

const keepHere = <Content>(state: SaveState<Content>): Effect<Content> => ({
  do: 'keep here',
  subject: state.subject,
  content: state.content,
  base: baseOf(state),
})

const withFirst = <Content>(effect: Effect<Content>, [state, effects]: Step<Content>): Step<Content> => [state, [effect, ...effects]]

function changed<Content>(state: SaveState<Content>, content: Content, rules: Rules): Step<Content> {
  if (content === state.content) return [state, []]
  const now = { ...state, content }
  if (!unsaved(now) && !state.sending) return isSaved(now)
  return [
    { ...now, keeping: 'typing' },
    [
      { do: 'wait', event: 'paused', ms: HERE },
      { do: 'wait', event: 'rested', ms: rules.rest },
    ],
  ]
}

/** Saved, or undone to what is saved: a draft would only ask to be taken back later. */
function isSaved<Content>(state: SaveState<Content>, subject = state.subject): Step<Content> {
  return [{ ...state, keeping: 'saved' }, [{ do: 'stop waiting' }, { do: 'forget here', subject }, { do: 'forget draft', subject }]]
}

function rested<Content>(state: SaveState<Content>, rules: Rules): Step<Content> {
  if (!unsaved(state)) return [state, []]
  if (rules.saves === 'each change') return state.sending ? [state, []] : send(state, {})
  return [state, [{ do: 'keep draft', subject: state.subject, content: state.content, base: baseOf(state) }]]
}

function draftKept<Content>(state: SaveState<Content>, { subject, content }: { subject: string; content: Content }): Step<Content> {
  // A new thing was stored meanwhile, and what is typed now is kept under its id.
  if (subject !== state.subject) return [state, [{ do: 'forget draft', subject }]]
  // A revision was saved while the draft, or an older one, was on its way: the draft must not outlive it.
  if (content === state.settled || !unsaved(state)) return [state, [{ do: 'forget draft', subject: state.subject }]]
  if (content !== state.content) return [state, []]
  return [{ ...state, keeping: 'kept' }, [{ do: 'forget here', subject: state.subject }]]
}

function send<Content>(
  state: SaveState<Content>,
  {
    note = '',
    content = state.content,
    base = state.revision,
  }: { note?: string | undefined; content?: Content | undefined; base?: number | undefined },
): Step<Content> {
  return [{ ...state, sending: { content, base }, problem: null }, [{ do: 'send', content, base, note }]]
}

function saved<Content>(state: SaveState<Content>, { id, revision }: Saved, rules: Rules): Step<Content> {
  const sent = state.sending?.content ?? state.content
  const subject = state.revision === 0 ? rules.subjectOf(id) : state.subject
  const now: SaveState<Content> = { ...state, subject, revision, settled: sent, sending: null, conflict: null, problem: null }
  const [, forget] = isSaved(now, state.subject)
  if (!unsaved(now)) return [{ ...now, keeping: 'saved' }, forget]
  // Typed while it was being saved: a new thing's own page, which comes next, must find it.
  return [{ ...now, keeping: 'typing' }, [...forget, keepHere(now), { do: 'wait', event: 'rested', ms: rules.rest }]]
}

function failed<Content>(
  state: SaveState<Content>,
  { status, problem, newest }: { status: number; problem: Error; newest?: number | undefined },
  rules: Rules,
): Step<Content> {
  const now = { ...state, sending: null }
  if (rules.saves === 'when asked') {
    const why = status === 412 ? { conflict: newest ?? state.revision } : { problem }
    return unsaved(now) ? [{ ...now, ...why }, [keepHere(now)]] : isSaved({ ...now, ...why })
  }
  if (status === 412) return [now, [{ do: 'take theirs' }]]
  // Not signed in, not reached, or the server's own fault: it is tried again, with what is on the page by then.
  if (status === 0 || status === 401 || status === 419 || status === 429 || status >= 500)
    return [{ ...now, keeping: 'only here', problem }, [keepHere(now), { do: 'wait', event: 'rested', ms: AGAIN }]]
  // Refused as it stands: it stays on the page and in the browser, and the next change is tried.
  return [{ ...now, keeping: 'refused', problem }, [keepHere(now)]]
}
