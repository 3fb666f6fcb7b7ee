import type { Part, QuestionJson } from '@/api/question'
import { type Defaults, questionWith } from '@/lib/defaults'
import { partView } from '@/parts'

/** A UUID of version 7 (RFC 9562): time first, so that new questions sort last. */
export function uuid7(now = Date.now()): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  for (let i = 0; i < 6; i++) bytes[i] = Math.floor(now / 2 ** (8 * (5 - i))) & 255
  bytes[6] = ((bytes[6] ?? 0) & 15) | 112
  bytes[8] = ((bytes[8] ?? 0) & 63) | 128
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('')
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`
}

export const anchorOf = (part: Part): string =>
  partView(part.kind)?.inline ? `<p><span data-part="${part.id}"></span></p>` : `<div data-part="${part.id}"></div>`

/** A part of a kind with an id that is free. */
export function freshPart(kind: string, taken: string[]): Part | undefined {
  let n = 1
  while (taken.includes(`p${n}`)) n++
  return partView(kind)?.fresh(`p${n}`)
}

/** A question to begin with: one part, or none yet when several are to come. */
export function freshQuestion(kind: string): QuestionJson {
  const part = freshPart(kind, [])
  return {
    format: 'wide-quarry/question',
    version: 1,
    id: uuid7(),
    title: '',
    language: 'en-GB',
    body: part ? (partView(kind)?.inline ? anchorOf(part) : `<p></p>${anchorOf(part)}`) : '<p></p>',
    parts: part ? [part] : [],
    record: { status: 'draft' },
  }
}

/** The next question of a row: of the same kind, below the same stimuli. */
export function nextAfter(question: QuestionJson, defaults: Defaults): QuestionJson {
  const fresh = questionWith(freshQuestion(question.parts.length === 1 ? (question.parts[0]?.kind ?? '') : ''), defaults)
  return question.stimuli && question.stimuli.length > 0 ? { ...fresh, stimuli: question.stimuli } : fresh
}

/** The same question again, as a new draft: what was learned about the old one (specimens apart) does not count for it. */
export function likeQuestion(question: QuestionJson): QuestionJson {
  const { topics, standards, tags, level, difficulty, licence, specimens } = question.record ?? {}
  const record = Object.fromEntries(
    Object.entries({ topics, standards, tags, level, difficulty, licence, specimens }).filter(([, value]) => value !== undefined),
  )
  return { ...question, id: uuid7(), record: { ...record, status: 'draft' } }
}
