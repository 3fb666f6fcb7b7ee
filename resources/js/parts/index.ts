import type { PartView } from './definePart'
import { kindNames } from './words'

const modules = import.meta.glob<Record<string, PartView>>('./*/index.{ts,tsx}', { eager: true })
const views = Object.values(modules).flatMap((module) => Object.values(module))
const known = new Map(views.map((view) => [view.kind, view]))

/** The kinds the interface can draw, in the order of words.ts. A new kind is one folder here and one line in words.ts. */
export const parts: PartView[] = Object.keys(kindNames).flatMap((kind) => known.get(kind) ?? [])

export const partView = (kind: string): PartView | undefined => known.get(kind)
