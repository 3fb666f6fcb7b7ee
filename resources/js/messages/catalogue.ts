import type { MessageFormatElement } from '@formatjs/icu-messageformat-parser'
import { IntlMessageFormat } from 'intl-messageformat'
import { language, locale } from './language'
import { pseudoMessage, pseudoText } from './pseudo'

export type Values = Record<string, string | number | boolean | readonly string[]>
export type Bound = string | ((values: Values) => string) | { [key: string]: Bound }
/** Texts, and parsed messages where there are arguments: what compile.ts makes of the files. */
export type Catalogue = { [key: string]: string | MessageFormatElement[] | Catalogue }

const lists = new Intl.ListFormat(locale, { type: 'unit', style: 'short' })
/** Points are shown with two decimals at most, without a mark between thousands. */
const formats = { number: { points: { maximumFractionDigits: 2, useGrouping: false } } }

/** A catalogue as texts, and as functions where a message has arguments. */
export function bind(catalogue: Catalogue): { [key: string]: Bound } {
  return Object.fromEntries(
    Object.entries(catalogue).map(([key, entry]) => {
      if (typeof entry === 'string') return [key, language === 'en' ? entry : pseudoText(entry)]
      return [key, Array.isArray(entry) ? bindMessage(entry) : bind(entry)]
    }),
  )
}

function bindMessage(message: MessageFormatElement[]): Bound {
  // Most messages of a screen are never shown, so each is made ready when it is first wanted.
  let format: IntlMessageFormat | undefined
  return (values) => {
    format ??= new IntlMessageFormat(language === 'en' ? message : pseudoMessage(message), locale, formats, { ignoreTag: true })
    return String(format.format(Object.fromEntries(Object.entries(values).map(([name, value]) => [name, inWords(value)]))))
  }
}

function inWords(value: Values[string]): string | number {
  if (typeof value === 'boolean') return String(value)
  return typeof value === 'string' || typeof value === 'number' ? value : lists.format(value)
}
