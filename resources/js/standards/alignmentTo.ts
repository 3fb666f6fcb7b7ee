import type { Alignment, FoundStatement } from '@/api/standards'

/** A statement as a record names it. */
export const alignmentTo = (one: Pick<FoundStatement, 'framework' | 'code' | 'id'>): Alignment => ({
  framework: one.framework,
  code: one.code,
  statement: one.id,
})

const isOther = (gone: Alignment) => (one: Alignment) => (one.statement ?? null) !== (gone.statement ?? null) || one.code !== gone.code

/** A list without one, and with one that takes the place of the same. */
export const withoutAlignment = (list: Alignment[] | undefined, gone: Alignment) => (list ?? []).filter(isOther(gone))
export const withAlignment = (list: Alignment[] | undefined, added: Alignment) => [...withoutAlignment(list, added), added]
