import { texts } from '@/messages'

/** The kinds in the order in which they are offered: one line for each. */
const order = [
  'choice',
  'text',
  'number',
  'menu',
  'tiles',
  'match',
  'group',
  'order',
  'highlight',
  'amend',
  'slider',
  'label',
  'spot',
  'point',
  'graph',
  'essay',
  'upload',
  'survey',
] as const satisfies readonly (keyof typeof texts.kind)[]

const each = (word: 'name' | 'start' | 'hint'): Record<string, string> =>
  Object.fromEntries(order.map((kind) => [kind, texts.kind[kind][word]]))

/** What each kind is called. A question without parts is a page of text. */
export const kindNames: Record<string, string> = { ...each('name'), page: texts.kindNames.page, draw: texts.kindNames.draw }
/** How what the learner does begins: "The learner will … choose". */
export const kindStarts = each('start')
export const kindHints = each('hint')

/** What kinds a question asks with, in words. */
export const kindWords = (kinds: string[]) => (kinds.length === 0 ? ['page'] : kinds).map((kind) => kindNames[kind] ?? kind).join(', ')
