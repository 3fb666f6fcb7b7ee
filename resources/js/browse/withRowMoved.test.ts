import type { InfiniteData } from '@tanstack/react-query'
import { describe, expect, it } from 'vitest'
import type { Page } from '@/api/queries'
import { withRowMoved } from './withRowMoved'

/** Pages of rows, each a letter: 'ab cd' are two pages of two. */
const list = (letters: string) =>
  ({ pageParams: [], pages: letters.split(' ').map((page) => ({ data: [...page].map((id) => ({ id })) })) }) as unknown as InfiniteData<
    Page,
    string
  >
const letters = (list: InfiniteData<Page, string>) => list.pages.map((page) => page.data.map((row) => row.id).join('')).join(' ')

describe('a row moved by hand', () => {
  it.each([
    ['abc', 'c', 'b', 'acb'],
    ['abc', 'a', null, 'bca'],
    ['ab cd', 'd', 'a', 'da bc'],
    ['ab cd', 'a', 'd', 'bc ad'],
    ['ab', 'a', 'b', 'ab'],
    ['ab', 'a', 'a', 'ab'],
    ['ab', 'x', 'a', 'ab'],
    ['ab', 'a', 'x', 'ab'],
  ])('%s: %s before %s is %s', (before, row, to, after) => {
    expect(letters(withRowMoved(list(before), row, to))).toBe(after)
  })
})
