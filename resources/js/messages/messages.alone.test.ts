// @vitest-environment node
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { parse } from '@formatjs/icu-messageformat-parser'
import { describe, expect, it } from 'vitest'
import { bind } from './catalogue'
import { compileMessages, type Written } from './compile'
// @ts-expect-error a script of Node without types
import { messageTypes } from './generate-types.mjs'
import lookups from './lookups.json'
import { pseudoMessage, pseudoText } from './pseudo'

const source = readdirSync('resources/js', { recursive: true, encoding: 'utf8' })
  .filter((path) => /\.tsx?$/.test(path) && !path.startsWith('messages/'))
  .map((path) => readFileSync(`resources/js/${path}`, 'utf8'))
  .join('\n')

const read = (path: string): Written => JSON.parse(readFileSync(path, 'utf8'))
const areas = readdirSync('resources/js/messages/en').map((file) => [file.replace('.json', ''), read(`resources/js/messages/en/${file}`)])
const kinds = readdirSync('resources/js/parts', { encoding: 'utf8' })
  .filter((kind) => existsSync(`resources/js/parts/${kind}/messages.en.json`))
  .map((kind) => [kind, read(`resources/js/parts/${kind}/messages.en.json`)])
const { app, ...rest } = Object.fromEntries(areas)
const catalogue = { ...app, ...rest, kind: Object.fromEntries(kinds) }

function* leaves(entry: unknown, path: string[] = []): Generator<string[]> {
  if (typeof entry !== 'object' || entry === null) yield path
  else for (const [name, value] of Object.entries(entry)) yield* leaves(value, [...path, name])
}

describe('the catalogue', () => {
  it('has types that are up to date', () => {
    expect(readFileSync('resources/js/messages/types.ts', 'utf8'), 'run npm run messages').toBe(messageTypes())
  })

  it('has the messages of every area that a module names', async () => {
    const { texts } = await import('@/messages')
    expect(texts).not.toHaveProperty('intake')
    await import('@/lib/phrases/transfers')
    expect(texts).toHaveProperty('intake')
  })

  it('has no message that nothing shows', () => {
    const open = (path: string[]) => lookups.some((group) => path.join('.').startsWith(`${group}.`))
    const unused = [...leaves(catalogue)]
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
    const bound = bind(compileMessages({ message })).message
    expect(typeof bound === 'function' && values ? bound(values) : bound).toBe(said)
  })

  it('keeps its arguments and plurals when it is made longer', () => {
    expect(pseudoText('Save')).toBe('⟦Sávé~~⟧')
    const [text, argument] = pseudoMessage(parse('Find in {bank}'))
    expect(text).toMatchObject({ value: expect.stringMatching(/^⟦Fíñd íñ ~+⟧$/) })
    expect(argument).toMatchObject({ value: 'bank' })
  })
})
