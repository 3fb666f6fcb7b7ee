import type { WholeFramework } from '@/api/schema'

type Framework = Pick<WholeFramework, 'statements' | 'associations'>

/** What each statement of one framework has become in another, by its crosswalks: the same, or its successor; and those without, by code. */
export function movesBetween(from: Framework, to: Framework): { pairs: [string, string][]; without: string[] } {
  const there = new Set(to.statements.map((one) => one.id))
  const found = new Map<string, string[]>()
  const note = (old: string, next: string) => found.set(old, [...(found.get(old) ?? []), next])
  for (const link of from.associations) {
    if (there.has(link.to_id) && (link.kind === 'exact' || link.kind === 'replaced_by')) note(link.from_id, link.to_id)
    else if (there.has(link.from_id) && link.kind === 'exact') note(link.to_id, link.from_id)
  }
  return {
    pairs: from.statements.flatMap((one) => [...new Set(found.get(one.id) ?? [])].map((next): [string, string] => [one.id, next])),
    without: from.statements.filter((one) => !found.has(one.id)).map((one) => one.code || one.title || one.text),
  }
}
