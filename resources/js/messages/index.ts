import { bind, type Catalogue, type Values } from './catalogue'
import app from './en/app.json'
import type { Messages } from './types'

const kinds = import.meta.glob<Catalogue>('../parts/*/messages.en.json', { eager: true, import: 'default' })
const byKind = Object.entries(kinds).map(([path, messages]) => [path.replace(/.*\/parts\/(\w+)\/.*/, '$1'), messages])

/**
 * Every text of the interface, by area and name. A kind of part keeps its own beside it. An area is there for every module that names it:
 * vitePlugin.ts sees to that.
 */
export const texts = bind({ ...(app as unknown as Catalogue), kind: Object.fromEntries(byKind) }) as unknown as Messages

export function addMessages(area: string, messages: Catalogue) {
  Object.assign(texts, bind({ [area]: messages }))
}

/** A text whose name comes from data, if there is one. */
export function lookUp(group: object, name: string, values: Values = {}): string | undefined {
  const found: unknown = (group as Record<string, unknown>)[name]
  return typeof found === 'function' ? (found as (values: Values) => string)(values) : (found as string | undefined)
}
