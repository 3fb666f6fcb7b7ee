import { expect, test } from 'vitest'
import type { Part, QuestionJson } from '@/api/question'
import { fromWord } from './fromWord'

const fresh = (): Part =>
  ({ id: 'p1', kind: 'tiles', points: 1, settings: { tiles: [] }, key: { rules: [], default: '0' } }) as unknown as Part
const question = (body: string, parts: Part[] = []) => ({ body, parts }) as unknown as QuestionJson

test('the first gap makes the tiles, worth one point', () => {
  const made = fromWord(question('<p>slate</p>'), 'slate', fresh)
  expect(made.question.parts[0]).toMatchObject({ points: 1, settings: { tiles: [{ id: 't1', html: 'slate', uses: 1 }] } })
  expect([made.node.type, made.block]).toEqual(['gap', 'p1'])
})

test('a further gap adds a point while points follow the gaps, and leaves points that were set', () => {
  const first = fromWord(question('<p>slate</p>'), 'slate', fresh).question.parts[0] as Part
  const body = '<p><span data-gap="g1" data-of="p1"></span> shale</p>'
  expect(fromWord(question(body, [first]), 'shale', fresh).question.parts[0]?.points).toBe(2)
  expect(fromWord(question(body, [{ ...first, points: 5 }]), 'shale', fresh).question.parts[0]?.points).toBe(5)
})

test('a word that is a tile already may be used once more; an unlimited tile stays unlimited', () => {
  const first = fromWord(question('<p>slate</p>'), 'slate', fresh).question.parts[0] as Part
  const body = '<p><span data-gap="g1" data-of="p1"></span> Slate</p>'
  expect(fromWord(question(body, [first]), 'Slate', fresh).question.parts[0]?.settings?.tiles).toEqual([
    { id: 't1', html: 'slate', uses: 2 },
  ])
  const unlimited = { ...first, settings: { tiles: [{ id: 't1', html: 'slate', uses: null }] } } as unknown as Part
  expect(fromWord(question(body, [unlimited]), 'slate', fresh).question.parts[0]?.settings?.tiles).toMatchObject([{ uses: null }])
})
