import { parse, TYPE } from '@formatjs/icu-messageformat-parser'
import type { Catalogue } from './catalogue'

export type Written = { [key: string]: string | Written }

/** A catalogue of ICU messages as it is sent: what has no arguments as the text it gives, everything else parsed. */
export function compileMessages(written: Written): Catalogue {
  return Object.fromEntries(
    Object.entries(written).map(([key, entry]) => [key, typeof entry === 'string' ? compileMessage(entry) : compileMessages(entry)]),
  )
}

function compileMessage(message: string): Catalogue[string] {
  const elements = parse(message, { ignoreTag: true })
  return elements.every((element) => element.type === TYPE.literal) ? elements.map((element) => element.value).join('') : elements
}
