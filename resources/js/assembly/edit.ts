import type { Content, Entry } from '@/api/assembly'

/** Changes of an assessment's document; each gives a new one and leaves the old. */

export const entriesOf = (content: Content): Entry[] => content.sections.flatMap((section) => section.entries)

export function editEntries(content: Content, ids: string[], edit: (entry: Entry) => Entry): Content {
  return {
    ...content,
    sections: content.sections.map((section) => ({
      ...section,
      entries: section.entries.map((entry) => (ids.includes(entry.id) ? edit(entry) : entry)),
    })),
  }
}

export function without(content: Content, ids: string[]): Content {
  return {
    ...content,
    sections: content.sections.map((section) => ({ ...section, entries: section.entries.filter((entry) => !ids.includes(entry.id)) })),
  }
}

/** What a question carries when it is dragged from a list. */
export const QUESTION = 'application/x-wide-quarry-question'

/** A question at a place of a section, unless it is asked already. */
export function inserted(content: Content, question: string, seen: number, section: string, at: number): Content {
  if (entriesOf(content).some((entry) => entry.question === question)) return content
  const entry: Entry = { id: `e-${question.replaceAll('-', '')}`, question, seen }
  return {
    ...content,
    sections: content.sections.map((one) =>
      one.id === section ? { ...one, entries: [...one.entries.slice(0, at), entry, ...one.entries.slice(at)] } : one,
    ),
  }
}

/** Entries, in the order they stand, to the place before `at` of a section; `at` counts as things stand now. */
export function moved(content: Content, ids: string[], section: string, at: number): Content {
  const some = entriesOf(content).filter((entry) => ids.includes(entry.id))
  const target = content.sections.find((one) => one.id === section)
  if (!target || some.length === 0) return content
  const before = target.entries.slice(0, at).filter((entry) => !ids.includes(entry.id)).length
  const rest = without(content, ids)
  return {
    ...rest,
    sections: rest.sections.map((one) =>
      one.id === section ? { ...one, entries: [...one.entries.slice(0, before), ...some, ...one.entries.slice(before)] } : one,
    ),
  }
}

/** One step up or down, also over the border of a section. */
export function stepped(content: Content, id: string, by: -1 | 1): Content {
  const s = content.sections.findIndex((section) => section.entries.some((entry) => entry.id === id))
  const section = content.sections[s]
  if (!section) return content
  const at = section.entries.findIndex((entry) => entry.id === id)
  const to = at + by
  if (to >= 0 && to < section.entries.length) return moved(content, [id], section.id, by > 0 ? to + 1 : to)
  const next = content.sections[s + by]
  return next ? moved(content, [id], next.id, by > 0 ? 0 : next.entries.length) : content
}

export function withPoints(content: Content, ids: string[], points: number | null): Content {
  return editEntries(content, ids, ({ points: _, ...entry }) => (points === null ? entry : { ...entry, points }))
}

export function withSection(content: Content): Content {
  let n = content.sections.length + 1
  while (content.sections.some((section) => section.id === `s${n}`)) n++
  return { ...content, sections: [...content.sections, { id: `s${n}`, entries: [] }] }
}

/** Its questions go to the section before it, or to the one after when it is the first. */
export function withoutSection(content: Content, id: string): Content {
  const at = content.sections.findIndex((section) => section.id === id)
  const gone = content.sections[at]
  if (!gone || content.sections.length < 2) return content
  const heir = content.sections[at === 0 ? 1 : at - 1]?.id
  return {
    ...content,
    sections: content.sections
      .filter((section) => section.id !== id)
      .map((section) =>
        section.id === heir
          ? { ...section, entries: at === 0 ? [...gone.entries, ...section.entries] : [...section.entries, ...gone.entries] }
          : section,
      ),
  }
}
