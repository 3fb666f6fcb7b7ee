import type { BulkChange } from '@/api/acts'
import type { Alignment } from '@/api/standards'

/** What is filled in of a change of many; what is not stays as it is. */
export type Draft = {
  /** Single fields of the record: a value, or null to empty them. */
  record: Record<string, string | null>
  words: Record<'addTags' | 'removeTags' | 'addPurpose' | 'removePurpose', string[]>
  paths: Record<'addTopics' | 'removeTopics' | 'addFolders' | 'removeFolders', string[][]>
  standards: Record<'add' | 'remove', Alignment[]>
  points: string
  shuffle: '' | 'yes' | 'no'
  tries: string
  cost: string
  show: string
  language: string
  calculator: string
  limit: string
  names: boolean
}

export const emptyDraft: Draft = {
  record: {},
  words: { addTags: [], removeTags: [], addPurpose: [], removePurpose: [] },
  paths: { addTopics: [], removeTopics: [], addFolders: [], removeFolders: [] },
  standards: { add: [], remove: [] },
  points: '',
  shuffle: '',
  tries: '',
  cost: '',
  show: '',
  language: '',
  calculator: '',
  limit: '',
  names: false,
}

const numbers = ['difficulty', 'minutes']

/** A number as it was typed; what is none goes as it is, so that it is refused with a sentence and nothing is emptied by mistake. */
function number(typed: string): number {
  const value = Number(typed.trim().replace(',', '.'))
  return (typed.trim() !== '' && Number.isFinite(value) ? value : typed) as number
}

/** Minutes as seconds; 0 for none. */
function limit(typed: string): number | null {
  const minutes = number(typed)
  return typeof minutes === 'number' ? (minutes === 0 ? null : Math.round(minutes * 60)) : minutes
}

/** The change as the server takes it; null when nothing is filled in. */
export function toChange(draft: Draft): BulkChange | null {
  const record: NonNullable<BulkChange['record']> = {}
  for (const [field, value] of Object.entries(draft.record))
    record[field] = { set: value === null ? null : numbers.includes(field) ? number(value) : value }
  const { words, paths, standards } = draft
  if (standards.add.length + standards.remove.length > 0) record.standards = standards
  if (words.addTags.length + words.removeTags.length > 0) record.tags = { add: words.addTags, remove: words.removeTags }
  if (words.addPurpose.length + words.removePurpose.length > 0) record.purpose = { add: words.addPurpose, remove: words.removePurpose }
  const content: NonNullable<BulkChange['content']> = {
    ...(draft.points.trim() === '' ? {} : { points: number(draft.points) }),
    ...(draft.shuffle === '' ? {} : { shuffle: draft.shuffle === 'yes' }),
    ...(draft.tries === '' ? {} : { attempts: { allowed: draft.tries === 'any' ? null : Number(draft.tries), cost: draft.cost || '0' } }),
    ...(draft.show === '' ? {} : { show: draft.show }),
    ...(draft.language.trim() === '' ? {} : { language: draft.language.trim() }),
    ...(draft.calculator === '' ? {} : { tools: { calculator: draft.calculator as 'none' } }),
    ...(draft.limit.trim() === '' ? {} : { time_limit: limit(draft.limit) }),
    ...(draft.names ? { names: true as const } : {}),
  }
  const change: BulkChange = {
    ...(Object.keys(record).length > 0 ? { record } : {}),
    ...(paths.addTopics.length + paths.removeTopics.length > 0 ? { topics: { add: paths.addTopics, remove: paths.removeTopics } } : {}),
    ...(paths.addFolders.length + paths.removeFolders.length > 0
      ? { folders: { add: paths.addFolders, remove: paths.removeFolders } }
      : {}),
    ...(Object.keys(content).length > 0 ? { content } : {}),
  }
  return Object.keys(change).length > 0 ? change : null
}
