import { type MessageFormatElement, TYPE } from '@formatjs/icu-messageformat-parser'

const accents: Record<string, string> = {
  a: 'á',
  c: 'ç',
  e: 'é',
  i: 'í',
  n: 'ñ',
  o: 'ó',
  s: 'š',
  u: 'ú',
  y: 'ý',
  A: 'Á',
  C: 'Ç',
  E: 'É',
  O: 'Ó',
}

/** A text as a longer language would have it: accented, 40 % longer and in brackets, so that a cut or untranslated text is seen. */
export function pseudoText(words: string): string {
  const accented = words.replace(/[a-zA-Z]/g, (letter) => accents[letter] ?? letter)
  return `⟦${accented}${'~'.repeat(Math.ceil(words.length * 0.4))}⟧`
}

/** The same for a parsed message: arguments stay as they are, the words around them change. */
export function pseudoMessage(elements: MessageFormatElement[]): MessageFormatElement[] {
  return elements.map((element) => {
    if (element.type === TYPE.literal) return /[a-zA-Z]/.test(element.value) ? { ...element, value: pseudoText(element.value) } : element
    if (element.type !== TYPE.plural && element.type !== TYPE.select) return element
    const options = Object.entries(element.options).map(([key, option]) => [key, { ...option, value: pseudoMessage(option.value) }])
    return { ...element, options: Object.fromEntries(options) } as MessageFormatElement
  })
}
