import { texts } from '@/messages'

const words = texts.document

/** How options look, in words: "in bold", "highlighted in yellow". */
export function phraseOfLook(look: string): string {
  const [name = '', value] = look.split(':')
  if (value === undefined) return words.looks[name] ?? look
  if (name === 'colour') return words.lookOf.colour({ value: colourName(value) })
  if (name === 'highlight') return words.lookOf.highlight({ value: colourName(value) })
  if (name === 'sign') return words.lookOf.sign({ value })
  return words.lookOf.letter
}

function colourName(value: string): string {
  return /^[0-9a-f]{6}$/.test(value) ? `#${value}` : value
}

/** The colour of a look, where it is one. */
export function colourOf(look: string): string | null {
  const [name, value] = look.split(':')
  return value && (name === 'colour' || name === 'highlight') ? colourName(value) : null
}

export type Sureness = 'sure' | 'check' | 'none'
/** From 0.9 on a key counts as sure: Sign::SURE of the core. */
export const surenessOf = (certainty: number): Sureness => (certainty >= 0.9 ? 'sure' : certainty > 0 ? 'check' : 'none')
