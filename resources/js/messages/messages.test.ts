// @vitest-environment node
import { readdirSync, readFileSync } from 'node:fs'
import { parse } from '@formatjs/icu-messageformat-parser'
import { describe, expect, it } from 'vitest'
import { bind } from './catalogue'
// @ts-expect-error a script of Node without types
import { messageTypes } from './generate-types.mjs'
import { texts } from './index'
import lookups from './lookups.json'
import { pseudoMessage, pseudoText } from './pseudo'

const source = readdirSync('resources/js', { recursive: true, encoding: 'utf8' })
  .filter((path) => /\.tsx?$/.test(path) && !path.startsWith('messages/'))
  .map((path) => readFileSync(`resources/js/${path}`, 'utf8'))
  .join('\n')

function* leaves(entry: unknown, path: string[] = []): Generator<string[]> {
  if (typeof entry !== 'object' || entry === null) yield path
  else for (const [name, value] of Object.entries(entry)) yield* leaves(value, [...path, name])
}

describe('the catalogue', () => {
  it('has types that are up to date', () => {
    expect(readFileSync('resources/js/messages/types.ts', 'utf8'), 'run npm run messages').toBe(messageTypes())
  })

  it('has no message that nothing shows', () => {
    const open = (path: string[]) => lookups.some((group) => path.join('.').startsWith(`${group}.`))
    const unused = [...leaves(texts)]
      .filter((path) => path[0] !== 'kind' || !['name', 'start', 'hint'].includes(path.at(-1) ?? ''))
      .filter((path) => !open(path) && !new RegExp(`\\b${path.at(-1)}\\b`).test(source))
    expect(unused.map((path) => path.join('.'))).toEqual([])
  })
})

describe('a message', () => {
  it.each([
    ['Save', undefined, 'Save'],
    ["It's saved", undefined, "It's saved"],
    ["As '{this}'", undefined, 'As {this}'],
    ['It’s {n, plural, one {# question} other {# questions}}.', { n: 1 }, 'It’s 1 question.'],
    ['It’s {n, plural, one {# question} other {# questions}}.', { n: 12_000 }, 'It’s 12,000 questions.'],
    ['{n, number, points}', { n: 1234.567 }, '1234.57'],
    ['{names}', { names: ['Orla', 'Tam', 'Ines'] }, 'Orla, Tam, Ines'],
    ['{yes, select, true {on} other {off}}', { yes: true }, 'on'],
    ['a <b> of {what}', { what: '{x} <i>' }, 'a <b> of {x} <i>'],
  ])('%s with %o is "%s"', (message, values, said) => {
    const bound = bind({ message }).message
    expect(typeof bound === 'function' && values ? bound(values) : bound).toBe(said)
  })

  it('keeps its arguments and plurals when it is made longer', () => {
    expect(pseudoText('Save')).toBe('⟦Sávé~~⟧')
    const [text, argument] = pseudoMessage(parse('Find in {bank}'))
    expect(text).toMatchObject({ value: expect.stringMatching(/^⟦Fíñd íñ ~+⟧$/) })
    expect(argument).toMatchObject({ value: 'bank' })
  })
})
