import { fold } from '@/lib/format'

/** Milliseconds after which typing begins a new word (WAI-ARIA Authoring Practices, tree view: type-ahead). */
export const TYPE_AHEAD_PAUSE = 700

/**
 * The place of the next name that begins with what was typed, after the current one and then from the top. While a word is being
 * typed, the current one may still be meant; the same letter again and again walks through all names with it.
 *
 * @param at the current place
 * @return -1 where no name begins so
 */
export function nextNamed(names: string[], at: number, typed: string): number {
  const letters = [...fold(typed)]
  const repeated = letters.length > 1 && letters.every((letter) => letter === letters[0])
  const wanted = repeated ? (letters[0] ?? '') : letters.join('')
  const first = letters.length === 1 || repeated ? at + 1 : at
  for (let i = 0; i < names.length; i++) {
    const place = (first + i) % names.length
    if (fold(names[place] ?? '').startsWith(wanted)) return place
  }
  return -1
}
