import { words as amend } from './amend/words'
import { words as choice } from './choice/words'
import { words as group } from './group/words'
import { words as highlight } from './highlight/words'
import { words as match } from './match/words'
import { words as menu } from './menu/words'
import { words as number } from './number/words'
import { words as order } from './order/words'
import { words as slider } from './slider/words'
import { words as survey } from './survey/words'
import { words as text } from './text/words'
import { words as tiles } from './tiles/words'

/** What each kind is called, and how the learner's doing begins. One line for each kind. */
const kinds: Record<string, { name: string; start: string; hint: string }> = {
  choice,
  text,
  number,
  menu,
  tiles,
  match,
  group,
  order,
  highlight,
  amend,
  slider,
  survey,
}

const each = (word: 'name' | 'start' | 'hint'): Record<string, string> =>
  Object.fromEntries(Object.entries(kinds).map(([kind, words]) => [kind, words[word]]))

/** A question without parts is a page of text. */
export const kindNames: Record<string, string> = { ...each('name'), page: 'text page', draw: 'drawn, of several kinds' }
export const kindStarts = each('start')
export const kindHints = each('hint')

/** What kinds a question asks with, in words. */
export const kindWords = (kinds: string[]) => (kinds.length === 0 ? ['page'] : kinds).map((kind) => kindNames[kind] ?? kind).join(', ')
