import { bind, type Catalogue, type Values } from './catalogue'
import type { Messages } from './types'

const areas = import.meta.glob<Catalogue>('./en/*.json', { eager: true, import: 'default' })
const kinds = import.meta.glob<Catalogue>('../parts/*/messages.en.json', { eager: true, import: 'default' })

const named = (files: Record<string, Catalogue>, name: RegExp): Catalogue =>
  Object.fromEntries(Object.entries(files).map(([path, messages]) => [name.exec(path)?.[1] ?? path, messages]))

const { app, ...rest } = named(areas, /(\w+)\.json$/)

/** Every text of the interface, by area and name. A kind of part keeps its own beside it. */
export const texts = bind({ ...(app as Catalogue), ...rest, kind: named(kinds, /parts\/(\w+)\//) }) as unknown as Messages

/** A text whose name comes from data, if there is one. */
export function lookUp(group: object, name: string, values: Values = {}): string | undefined {
  const found: unknown = (group as Record<string, unknown>)[name]
  return typeof found === 'function' ? (found as (values: Values) => string)(values) : (found as string | undefined)
}
