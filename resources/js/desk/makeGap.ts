import type { Part, QuestionJson } from '@/api/question'
import { freshId } from '@/parts/fresh'
import { toHtml } from '@/parts/html'
import type { PairRule, Row } from '@/parts/pairKey'
import { freshPart } from './fresh'
import { gapsOf } from './gaps'

export type GapKind = 'text' | 'number' | 'menu' | 'tiles'
export type Made = {
  /** The question with the part that asks for the word; its text still has the word. */
  question: QuestionJson
  /** What stands in the text instead of the word. */
  node: { type: 'partInline'; attrs: { id: string } } | { type: 'gap'; attrs: { id: string; of: string } }
  /** A part whose place goes to the end of the text. */
  block: string | null
}

/** A word of the text as an answer: what was selected is what is right. */
export function makeGap(question: QuestionJson, kind: GapKind, word: string): Made {
  if (kind === 'tiles') return tileGap(question, word)
  const fresh = freshPart(
    kind,
    question.parts.map((part) => part.id),
  ) as Part
  const part: Part =
    kind === 'menu'
      ? { ...fresh, settings: { ...fresh.settings, options: withFirst(fresh, inline(word)) } }
      : {
          ...fresh,
          settings: { ...fresh.settings, width: Math.min(60, Math.max(6, word.length + 4)) },
          key: {
            ...fresh.key,
            rules: [{ id: 'r1', on: kind === 'number' ? { answer: 'value', value: word } : { answer: 'is', text: [word] }, credit: '1' }],
          },
        }
  return { question: { ...question, parts: [...question.parts, part] }, node: { type: 'partInline', attrs: { id: part.id } }, block: null }
}

const inline = (word: string) => toHtml(word).replace(/^<p>|<\/p>$/g, '')

function withFirst(part: Part, html: string): Row[] {
  const [first, ...others] = (part.settings?.options ?? []) as Row[]
  return first ? [{ ...first, html }, ...others] : [{ id: 'a', html }]
}

/** All tiles of a question lie together; a word that is a tile already may be used once more. */
function tileGap(question: QuestionJson, word: string): Made {
  const known = question.parts.find((part) => part.kind === 'tiles')
  const set =
    known ??
    (freshPart(
      'tiles',
      question.parts.map((part) => part.id),
    ) as Part)
  const tiles = (set.settings?.tiles ?? []) as (Row & { uses?: number | null })[]
  const rules = (set.key?.rules ?? []) as PairRule[]
  const gaps = gapsOf(question.body, set.id)
  const gap = freshId(
    [...gaps, ...rules.map((rule) => rule.on[0])].map((id) => ({ id })),
    'g',
  )
  const same = tiles.find((tile) => tile.html.toLowerCase() === inline(word).toLowerCase())
  const tile = same ?? { id: freshId(tiles, 't'), html: inline(word), uses: 1 }
  const needed = rules.filter((rule) => rule.on[1] === tile.id && rule.credit === '1').length + 1
  const uses = tile.uses === null ? null : Math.max(tile.uses ?? 1, needed)
  const part: Part = {
    ...set,
    points: known && set.points === gaps.length ? gaps.length + 1 : set.points,
    settings: { ...set.settings, tiles: same ? tiles.map((one) => (one === same ? { ...one, uses } : one)) : [...tiles, tile] },
    key: { ...set.key, rules: [...rules, { id: freshId(rules, 'k'), on: [gap, tile.id], credit: '1' }] },
  }
  return {
    question: { ...question, parts: known ? question.parts.map((one) => (one === known ? part : one)) : [...question.parts, part] },
    node: { type: 'gap', attrs: { id: gap, of: part.id } },
    block: known ? null : part.id,
  }
}
