import type { QuestionJson } from '@/api/question'
import { texts } from '@/texts'

const plain = ['title', 'body', 'feedback', 'hints', 'attempts', 'variables', 'scoring', 'normalise', 'language'] as const
const key = (value: unknown) => JSON.stringify(value ?? null)

/** What differs between two versions of a question: its own fields, and each part that both have. */
export function differences(mine: QuestionJson, theirs: QuestionJson): { field: string; title: string }[] {
  const fields: { field: string; title: string }[] = plain
    .filter((field) => key(mine[field]) !== key(theirs[field]))
    .map((field) => ({ field, title: texts.desk.fields[field] ?? field }))
  const [ids, theirIds] = [mine.parts.map((part) => part.id), theirs.parts.map((part) => part.id)]
  if (key(ids) !== key(theirIds)) return [...fields, { field: 'parts', title: texts.desk.fields.parts ?? '' }]
  for (const part of mine.parts) {
    const other = theirs.parts.find((one) => one.id === part.id)
    if (key(part) !== key(other))
      fields.push({ field: `part ${part.id}`, title: part.label || texts.desk.part(texts.kinds[part.kind] ?? part.kind) })
  }
  return fields
}

/** Mine with those things of theirs that were chosen. */
export function merged(mine: QuestionJson, theirs: QuestionJson, chosen: Record<string, 'mine' | 'theirs'>): QuestionJson {
  const result = { ...mine }
  for (const field of plain) if (chosen[field] === 'theirs') Object.assign(result, { [field]: theirs[field] })
  if (chosen.parts === 'theirs') result.parts = theirs.parts
  else
    result.parts = mine.parts.map((part) =>
      chosen[`part ${part.id}`] === 'theirs' ? (theirs.parts.find((one) => one.id === part.id) ?? part) : part,
    )
  return result
}
