import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { countWords } from './countWords'
import { plainOf } from './plainOf'

test.each(JSON.parse(readFileSync('core/tests/cases/words.json', 'utf8')) as [string, number][])(
  '%j has %d words, as in the core',
  (text, n) => {
    expect(countWords(text)).toBe(n)
  },
)

test('blocks of rich text are apart', () => {
  expect(countWords(plainOf('<p>one</p><ul><li>two</li><li>three<br>four</li></ul>'))).toBe(4)
})
