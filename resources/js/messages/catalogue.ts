import { parse } from '@formatjs/icu-messageformat-parser'
import { IntlMessageFormat } from 'intl-messageformat'
import { language, locale } from './language'
import { pseudoMessage, pseudoText } from './pseudo'

export type Values = Record<string, string | number | boolean | readonly string[]>
export type Bound = string | ((values: Values) => string) | { [key: string]: Bound }
export type Catalogue = { [key: string]: string | Catalogue }

const lists = new Intl.ListFormat(locale, { type: 'unit', style: 'short' })
/** Points are shown with two decimals at most, without a mark between thousands. */
const formats = { number: { points: { maximumFractionDigits: 2, useGrouping: false } } }

/** A catalogue of ICU messages as texts, and as functions where a message has arguments. */
export function bind(catalogue: Catalogue): { [key: string]: Bound } {
  return Object.fromEntries(
    Object.entries(catalogue).map(([key, entry]) => [key, typeof entry === 'string' ? bindMessage(entry) : bind(entry)]),
  )
}

/** An argument begins with a brace; what ICU quotes ('{') is text. */
const hasArguments = (message: string): boolean => message.replace(/'\{[^']*'/g, '').includes('{')

function bindMessage(message: string): Bound {
  if (!hasArguments(message)) return /[{']/.test(message) ? String(formatOf(message).format()) : plain(message)
  // Most messages of a screen are never shown, so each is parsed when it is first wanted.
  let format: IntlMessageFormat | undefined
  return (values) => {
    format ??= formatOf(message)
    return String(format.format(Object.fromEntries(Object.entries(values).map(([name, value]) => [name, inWords(value)]))))
  }
}

const plain = (message: string): string => (language === 'en' ? message : pseudoText(message))

function formatOf(message: string): IntlMessageFormat {
  const elements = parse(message, { ignoreTag: true })
  return new IntlMessageFormat(language === 'en' ? elements : pseudoMessage(elements), locale, formats, { ignoreTag: true })
}

function inWords(value: Values[string]): string | number {
  if (typeof value === 'boolean') return String(value)
  return typeof value === 'string' || typeof value === 'number' ? value : lists.format(value)
}
