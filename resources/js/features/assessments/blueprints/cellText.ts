import type { BlueprintCell, Range } from '@/api/blueprints'

/** What a cell asks for, as it is typed: "4", "2-4", "2+", "up to 4", "all", or nothing. */
export type Wanted = Pick<BlueprintCell, 'all' | 'count' | 'points'>

export type Measure = 'count' | 'points'
/** The word that stands for every question there is, in the reader's language and in English. */
type Words = { all: string }

const AMOUNT = /^(\d{1,6}(?:[.,]\d{1,4})?)$/
const BETWEEN = /^(\d{1,6}(?:[.,]\d{1,4})?)\s*(?:-|–|—|\.\.|to)\s*(\d{1,6}(?:[.,]\d{1,4})?)$/
const LEAST = /^(?:≥|>=)\s*(\d{1,6}(?:[.,]\d{1,4})?)$|^(\d{1,6}(?:[.,]\d{1,4})?)\s*\+$/
const MOST = /^(?:≤|<=)\s*(\d{1,6}(?:[.,]\d{1,4})?)$/

const number = (text: string) => Number(text.replace(',', '.'))

/** @returns undefined for an empty cell, null for what cannot be read */
export function readCell(typed: string, measure: Measure, words: Words): Wanted | undefined | null {
  const text = typed.trim().toLowerCase()
  if (text === '') return undefined
  if (text === words.all.toLowerCase() || text === 'all') return { all: true }
  const range = readRange(text)
  if (!range) return null
  const isWhole = [range.min, range.max].every((end) => end === undefined || Number.isInteger(end))
  return measure === 'count' && !isWhole ? null : { [measure]: range }
}

export function readRange(typed: string): Range | null {
  const text = typed.trim().toLowerCase()
  const one = AMOUNT.exec(text)
  if (one?.[1]) return { min: number(one[1]), max: number(one[1]) }
  const two = BETWEEN.exec(text)
  if (two?.[1] && two[2]) {
    const range = { min: number(two[1]), max: number(two[2]) }
    return range.min > range.max ? null : range
  }
  const least = LEAST.exec(text)
  if (least) return { min: number(least[1] ?? least[2] ?? '') }
  const most = MOST.exec(text)
  return most?.[1] ? { max: number(most[1]) } : null
}

export function cellText(cell: Wanted | undefined, measure: Measure, words: Words): string {
  if (!cell) return ''
  if (cell.all) return words.all
  return rangeText(cell[measure])
}

export function rangeText(range: Range | undefined): string {
  const { min, max } = range ?? {}
  if (min !== undefined && max !== undefined) return min === max ? String(min) : `${min}–${max}`
  if (min !== undefined) return `${min}+`
  return max === undefined ? '' : `≤${max}`
}

/** What several cells ask for together; null where one of them cannot be counted yet. */
export function sumOf(ranges: (Range | undefined)[]): Range {
  let min = 0
  let max: number | undefined = 0
  for (const range of ranges) {
    min += range?.min ?? 0
    max = max === undefined || range?.max === undefined ? undefined : max + range.max
  }
  return max === undefined ? { min } : { min, max }
}
