import { locale } from '@/messages/language'

const points = new Intl.NumberFormat(locale, { maximumFractionDigits: 2, useGrouping: false })
const moments = new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'short' })
const seconds = new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'medium' })
const lists = new Intl.ListFormat(locale, { type: 'unit', style: 'short' })
const kilobytes = new Intl.NumberFormat(locale, { style: 'unit', unit: 'kilobyte', maximumFractionDigits: 0 })
const megabytes = new Intl.NumberFormat(locale, { style: 'unit', unit: 'megabyte', minimumFractionDigits: 1, maximumFractionDigits: 1 })
const letters = new Intl.Collator(locale, { numeric: true })

export const number = (value: number): string => value.toLocaleString(locale)
/** A number of points or minutes: two decimals at most. */
export const rounded = (value: number): string => points.format(value)
/** A moment, in the reader's own time. */
export const moment = (at: string): string => moments.format(new Date(at))
/** A moment with its seconds, for logs. */
export const second = (at: string): string => seconds.format(new Date(at))
/** A day, in the reader's own time. */
export const day = (at: string): string => new Date(at).toLocaleDateString(locale)
/** The words of a list that are not empty. */
export const list = (words: readonly (string | null | undefined)[]): string => lists.format(words.filter((one): one is string => !!one))
export const fileSize = (bytes: number): string =>
  bytes < 1e6 ? kilobytes.format(Math.max(1, Math.round(bytes / 1000))) : megabytes.format(bytes / 1e6)
/** A word without case and accents, as it is looked for. */
export const fold = (word: string): string => word.normalize('NFKD').replace(/\p{M}/gu, '').toLocaleLowerCase(locale)
/** The order of two words as people of the language sort them. */
export const compare = (left: string, right: string): number => letters.compare(left, right)

/** "3/4" → "75%"; thirds keep one decimal. */
export function percent(exact: unknown): string {
  const value = fraction(String(exact)) * 100
  return `${Number.isInteger(value) ? value : value.toFixed(1)}%`
}

export function decimal(exact: unknown): string {
  const value = fraction(String(exact))
  return Number.isInteger(value) ? String(value) : String(Number(value.toFixed(3)))
}

/** For showing alone: what counts is computed on the server, exactly. */
function fraction(text: string): number {
  const [top, bottom] = text.split('/')
  return Number(top) / Number(bottom ?? 1)
}
