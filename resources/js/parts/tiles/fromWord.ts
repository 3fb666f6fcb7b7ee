import type { FromWord } from '../definePart'
import { freshId } from '../fresh'
import { inlineWord } from '../fromWord'
import { gapsOf } from '../gapsOf'
import type { PairRule, Row } from '../pairKey'

/** All tiles of a question lie together; a word that is a tile already may be used once more. */
export const fromWord: FromWord = (question, word, begin) => {
  const known = question.parts.find((part) => part.kind === 'tiles')
  const set = known ?? begin()
  const tiles = (set.settings?.tiles ?? []) as (Row & { uses?: number | null })[]
  const rules = (set.key?.rules ?? []) as PairRule[]
  const gaps = gapsOf(question.body, set.id)
  const gap = freshId(
    [...gaps, ...rules.map((rule) => rule.on[0])].map((id) => ({ id })),
    'g',
  )
  const same = tiles.find((tile) => tile.html.toLowerCase() === inlineWord(word).toLowerCase())
  const tile = same ?? { id: freshId(tiles, 't'), html: inlineWord(word), uses: 1 }
  const needed = rules.filter((rule) => rule.on[1] === tile.id && rule.credit === '1').length + 1
  const uses = tile.uses === null ? null : Math.max(tile.uses ?? 1, needed)
  const part = {
    ...set,
    points: known && set.points === gaps.length ? gaps.length + 1 : set.points,
    settings: { ...set.settings, tiles: same ? tiles.map((one) => (one === same ? { ...one, uses } : one)) : [...tiles, tile] },
    key: { ...set.key, rules: [...rules, { id: freshId(rules, 'k'), on: [gap, tile.id] as [string, string], credit: '1' }] },
  }
  return {
    question: { ...question, parts: known ? question.parts.map((one) => (one === known ? part : one)) : [...question.parts, part] },
    node: { type: 'gap', attrs: { id: gap, of: part.id } },
    block: known ? null : part.id,
  }
}
