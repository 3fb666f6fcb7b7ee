import type { BulkChange } from '@/api/acts'
import { texts } from '@/messages'
import { fieldName } from '@/question/record/FieldChanges'

const words = texts.acts.summary

/** What a change was of, in a few words. */
export function summary(what: BulkChange | null): string {
  if (what === null) return ''
  const { replace, names, media, ...content } = what.content ?? {}
  return [
    ...(what.bin === undefined ? [] : [what.bin ? words.binned : words.restored]),
    ...(what.home ? [words.home] : []),
    ...Object.keys(what.record ?? {}).map((field) => fieldName(field).toLowerCase()),
    ...(what.topics ? [words.topics] : []),
    ...(what.folders ? [words.folders] : []),
    ...(replace ? [words.words({ find: replace.find, by: replace.with })] : []),
    ...(names ? [words.names] : []),
    ...(media ? [words.media] : []),
    ...Object.keys(content).map((field) => words.content[field] ?? field),
  ].join(', ')
}
