import { expect, it } from 'vitest'
import type { Part, QuestionJson } from '@/api/question'
import { gapsOf } from '@/parts/gapsOf'
import { tablesOf } from './gaps'
import { makeGap } from './makeGap'
import { withShared } from './shared'

const typed = (id: string, ...words: string[]): Part => ({
  id,
  kind: 'text',
  points: 1,
  key: { rules: words.map((word, i) => ({ id: `r${i + 1}`, on: { answer: 'is', text: [word] }, credit: '1' })) },
})
const question = (body: string, parts: Part[] = []): QuestionJson => ({
  format: 'wide-quarry/question',
  version: 1,
  id: 'x',
  title: '',
  language: 'en',
  body,
  parts,
})

it('makes a word an answer of each kind, with the word as what is right', () => {
  const begins = makeGap(question('<p>x</p>'), 'menu', 'slate', { points: 3, shuffle: true }).question.parts[0]
  expect([begins?.points, begins?.settings?.shuffle]).toEqual([3, true])
  const made = (kind: 'text' | 'number' | 'menu') => makeGap(question('<p>x</p>'), kind, 'slate <1>').question.parts[0]
  expect(made('text')?.key?.rules?.[0]?.on).toEqual({ answer: 'is', text: ['slate <1>'] })
  expect(made('number')?.key?.rules?.[0]?.on).toEqual({ answer: 'value', value: 'slate <1>' })
  expect((made('menu')?.settings?.options as { html: string }[] | undefined)?.[0]?.html).toBe('slate &lt;1&gt;')
})

it('puts all tiles of a question together, and lets one be used once more when its word comes again', () => {
  const one = makeGap(question('<p>slate</p>'), 'tiles', 'slate')
  expect(one.node).toEqual({ type: 'gap', attrs: { id: 'g1', of: 'p1' } })
  expect(one.block).toBe('p1')
  const two = makeGap({ ...one.question, body: '<p><span data-gap="g1" data-of="p1"></span> Slate</p>' }, 'tiles', 'Slate')
  expect(two.block).toBeNull()
  expect(two.question.parts[0]).toMatchObject({ points: 2, settings: { tiles: [{ id: 't1', html: 'slate', uses: 2 }] } })
  expect(two.question.parts[0]?.key?.rules?.map((rule) => rule.on)).toEqual([
    ['g1', 't1'],
    ['g2', 't1'],
  ])
})

it('knows gaps and tables by the text', () => {
  expect(
    gapsOf(
      '<p><span data-gap="b" data-of="p1"></span><span data-gap="a" data-of="p1"></span><span data-gap="c" data-of="p2"></span></p>',
      'p1',
    ),
  ).toEqual(['b', 'a'])
  expect(
    tablesOf(
      '<table><tr><td><span data-part="p1"></span></td><td><span data-part="p2"></span></td></tr></table><table><tr><td>x</td></tr></table>',
    ),
  ).toEqual([['p1', 'p2']])
})

it('puts the answers of parts that share them together, each once', () => {
  const now = withShared(question('', [typed('p1', 'methane', 'ozone'), typed('p2', 'ozone', 'steam'), typed('p3', 'CO2')]), [['p1', 'p2']])
  expect(now.parts.map((part) => part.key?.rules?.map((rule) => [rule.id, (rule.on as { text: string[] }).text[0]]))).toEqual([
    [
      ['r1', 'methane'],
      ['r2', 'ozone'],
      ['r3', 'steam'],
    ],
    [],
    [['r1', 'CO2']],
  ])
  expect(now.scoring?.once).toEqual([['p1', 'p2']])
})
