import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { conditions, conditionsOf, days, dimensions, filterQuery, queryOf, ranges } from './filterQuery'

const read = (query: string) => filterQuery(new URLSearchParams(query))

test('two equal filters read equally, whatever order the address has them in', () => {
  expect(read('tag=slate&words=chalk&kind=text&kind=choice')).toBe(read('kind=text&words=chalk&kind=choice&tag=slate'))
})

test('what is no condition is left out, and so is what is empty', () => {
  expect(read('question=5&words=&tag=&page=2&points=2..5&sort=-title')).toBe('points=2..5&sort=-title')
})

test('what is left out stands beside what is asked for', () => {
  expect(read('not-tag=old&tag=new')).toBe('tag=new&not-tag=old')
})

test('a draw has the conditions without order and bank, and gives them back', () => {
  const found = conditionsOf('words=slate&kind=choice&kind=text&sort=title&bank=rocks&not-tag=old')
  expect(found).toEqual({ words: ['slate'], kind: ['choice', 'text'], 'not-tag': ['old'] })
  expect(conditionsOf(queryOf(found))).toEqual(found)
  expect(queryOf({ words: ['a&b=c', 'ä +'] })).toBe('words=a%26b%3Dc&words=%C3%A4+%2B')
})

test('the conditions are those the server knows', () => {
  const server = readFileSync('app/Search/QuestionFilter.php', 'utf8')
  const named = (constant: string) =>
    [
      ...(server
        .split(`${constant} = [`)[1]
        ?.split(']')[0]
        ?.matchAll(/'([^']+)'/g) ?? []),
    ].map((one) => one[1])
  expect([...dimensions].sort()).toEqual(named('DIMENSIONS').sort())
  expect([...ranges].sort()).toEqual(named('RANGES').sort())
  expect([...days].sort()).toEqual(named('DAYS').sort())
  expect(conditions).toHaveLength(dimensions.length * 2 + ranges.length)
})
