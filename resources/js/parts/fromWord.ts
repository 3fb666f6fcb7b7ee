import type { Part } from '@/api/question'
import type { FromWord } from './definePart'
import { toHtml } from './html'

/** The word as rich text inside a line. */
export const inlineWord = (word: string) => toHtml(word).replace(/^<p>|<\/p>$/g, '')

/** A gap that is a part of its own. `keyed` makes the word its right answer. */
export const partFromWord =
  (keyed: (part: Part, word: string) => Part): FromWord =>
  (question, word, begin) => {
    const part = keyed(begin(), word)
    return {
      question: { ...question, parts: [...question.parts, part] },
      node: { type: 'partInline', attrs: { id: part.id } },
      block: null,
    }
  }

/** A field wide enough for the word, with one rule. */
export const typedFromWord = (on: (word: string) => unknown): FromWord =>
  partFromWord((part, word) => ({
    ...part,
    settings: { ...part.settings, width: Math.min(60, Math.max(6, word.length + 4)) },
    key: { ...part.key, rules: [{ id: 'r1', on: on(word), credit: '1' }] },
  }))
