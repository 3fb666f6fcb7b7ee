import type { BlueprintValue } from '@/api/blueprints'
import { texts } from '@/messages'
import { kindNames } from '@/parts/words'

const words = texts.blueprints

/** Attributes that rows and columns can be made of, in the order they are offered. */
export const ATTRIBUTES = [
  'topic',
  'standard',
  'folder',
  'kind',
  'difficulty',
  'level',
  'purpose',
  'tag',
  'source',
  'work',
  'author',
  'marks',
  'points',
  'status',
  'has',
  'language',
  'bank',
  'used',
] as const
export type Attribute = (typeof ATTRIBUTES)[number]

/** Those that a question may have no value of. */
export const MISSING: string[] = ['topic', 'standard', 'folder', 'difficulty', 'level', 'purpose', 'tag', 'source', 'author']

/** What a row or column of one value is called. */
export function lineTitle(of: string, value: BlueprintValue): string {
  if (value.title !== '') return value.title
  const name = nameOf(of, value)
  return name.charAt(0).toLocaleUpperCase() + name.slice(1)
}

function nameOf(of: string, value: BlueprintValue): string {
  if (of === 'kind') return (kindNames as Record<string, string>)[value.value] ?? value.value
  if (of === 'difficulty') return texts.bank.difficulty({ n: Number(value.value) })
  if (of === 'points') return texts.points({ n: Number(value.value) })
  if (of === 'marks') return texts.assembly.markedBy[value.value] ?? value.value
  if (of === 'status') return words.statuses[value.value as keyof typeof words.statuses] ?? value.value
  return value.value
}

export const noneTitle = (of: string): string => words.none[of as keyof typeof words.none] ?? words.none.other
