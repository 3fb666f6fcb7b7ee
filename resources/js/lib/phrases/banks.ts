import { number } from '@/lib/format'
import { texts } from '@/messages'

export const sharedWith = (names: readonly string[]): string =>
  names.length === 0 ? texts.banks.sharedWithNone : texts.banks.sharedWith({ names })

export const managedBy = (names: readonly string[]): string => (names.length === 0 ? '' : texts.banks.kept({ names }))

/** How many questions of a list are found: the number, and what it is a number of. */
export const foundOf = (n: number, of: number): [string, string] => [
  number(n),
  n === of ? texts.bank.foundAll({ of }) : texts.bank.foundOf({ of }),
]

/** A range of which either end may be open. */
export function range(what: string, from: string, to: string): string {
  if (from === '') return texts.bank.rangeTo({ what, to })
  if (to === '') return texts.bank.rangeFrom({ what, from })
  return from === to ? texts.bank.rangeAt({ what, at: from }) : texts.bank.range({ what, from, to })
}
