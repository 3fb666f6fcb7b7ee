import type { Content, Draw, DrawSource, Entry, EntryOverride, Pick } from '@/api/assembly'

/** Changes of an assessment's document; each gives a new one and leaves the old. */

export const isDraw = (entry: Entry): entry is Draw => 'draw' in entry

/** What a draw draws from; a list made by hand is one source. */
export const sourcesOf = (draw: Draw): DrawSource[] => draw.from ?? [{ draw: draw.draw, pool: draw.pool ?? [] }]

/** Whether what it draws from is a list made by hand, and nothing else. */
export const isList = (draw: Draw) => draw.from === undefined

/** Questions of a draw that stand in a list; what conditions find is not known here. */
export const poolOf = (draw: Draw): string[] => sourcesOf(draw).flatMap((source) => source.pool ?? [])

/** Every question that is asked, or that stands in the list of a draw. */
export const questionsOf = (content: Content): string[] =>
  entriesOf(content).flatMap((entry) => (isDraw(entry) ? poolOf(entry) : [entry.question]))

/** A draw with other sources; it draws as many as they do together. */
const drawnFrom = (draw: Draw, from: DrawSource[]): Draw => {
  const { pool: _, from: __, ...rest } = draw
  const only = from[0]
  const count = from.reduce((sum, source) => sum + source.draw, 0)
  if (from.length === 1 && only && !only.conditions) return { ...rest, draw: count, pool: only.pool ?? [] }
  return { ...rest, draw: count, from }
}

/** A draw whose sources are changed; one that is left out is null. */
export const withSources = (content: Content, id: string, edit: (from: DrawSource[]) => DrawSource[]): Content =>
  editEntries(content, [id], (entry) => {
    if (!isDraw(entry)) return entry
    const from = edit(sourcesOf(entry))
    return from.length === 0 ? entry : drawnFrom(entry, from)
  })

/** A new draw at the end of a section. */
export function withNewDraw(
  content: Content,
  section: string,
  title: string,
  source: DrawSource,
  points: number | null,
): [Content, string] {
  const taken = new Set(entriesOf(content).map((entry) => entry.id))
  let n = 1
  while (taken.has(`d${n}`)) n++
  const id = `d${n}`
  const draw = drawnFrom({ id, title, draw: source.draw, ...(points === null ? {} : { points }) }, [source])
  const at = content.sections.some((one) => one.id === section) ? section : content.sections.at(-1)?.id
  const sections = content.sections.map((one) => (one.id === at ? { ...one, entries: [...one.entries, draw] } : one))
  return [{ ...content, sections }, id]
}

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
export const QUESTION = 'question'
/** And what one of the outline is. */
export const ENTRY = 'entry'

/** A question at a place of a section, unless it is asked already. */
export function inserted(content: Content, question: string, seen: number, section: string, at: number): Content {
  if (questionsOf(content).includes(question)) return content
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
  return editEntries(content, ids, (entry) => {
    const { points: _, ...rest } = entry
    return points === null ? rest : { ...rest, points }
  })
}

export function withSection(content: Content): Content {
  let n = content.sections.length + 1
  while (content.sections.some((section) => section.id === `s${n}`)) n++
  return { ...content, sections: [...content.sections, { id: `s${n}`, entries: [] }] }
}

/** Questions that are asked one by one become the pool of a draw, which stands where the first of them stood. */
export function gathered(content: Content, ids: string[]): Content {
  const some = entriesOf(content).filter((entry): entry is Pick => ids.includes(entry.id) && !isDraw(entry))
  const first = some[0]
  if (!first || some.length < 2) return content
  const taken = new Set(entriesOf(content).map((entry) => entry.id))
  let n = 1
  while (taken.has(`d${n}`)) n++
  const same = some.every((entry) => entry.points === first.points) && typeof first.points === 'number'
  const draw: Draw = {
    id: `d${n}`,
    draw: Math.max(1, Math.floor(some.length / 2)),
    pool: some.map((entry) => entry.question),
    ...(same ? { points: first.points ?? null } : {}),
  }
  const gone = some.map((entry) => entry.id)
  return {
    ...content,
    sections: content.sections.map((section) => ({
      ...section,
      entries: section.entries.flatMap((entry) => (entry.id === first.id ? [draw] : gone.includes(entry.id) ? [] : [entry])),
    })),
  }
}

/** A draw as what it is drawn from: every question of its pool is asked, unless it is asked already. */
export function dissolved(content: Content, id: string, pool: string[]): Content {
  const asked = new Set(questionsOf(without(content, [id])))
  const questions = pool.filter((one) => !asked.has(one))
  return {
    ...content,
    sections: content.sections.map((section) => ({
      ...section,
      entries: section.entries.flatMap((entry): Entry[] =>
        entry.id === id && isDraw(entry)
          ? questions.map((question) => ({
              id: `e-${question.replaceAll('-', '')}`,
              question,
              ...(entry.points === undefined ? {} : { points: entry.points }),
            }))
          : [entry],
      ),
    })),
  }
}

/** A draw otherwise, but for what it draws from. */
export const withDraw = (content: Content, id: string, edit: Partial<Omit<Draw, 'id' | 'pool' | 'from' | 'draw'>>): Content =>
  editEntries(content, [id], (entry) => {
    if (!isDraw(entry)) return entry
    const { points, ...rest } = { ...entry, ...edit }
    return { ...rest, ...(points === null || points === undefined ? {} : { points }) }
  })

/** More questions for a pool; those that are in it, or asked elsewhere, are left out. */
export function pooled(content: Content, id: string, questions: string[]): Content {
  const taken = new Set(questionsOf(content))
  const more = questions.filter((one) => !taken.has(one))
  return withSources(content, id, (from) => {
    const at = from.findIndex((source) => !source.conditions)
    if (at < 0) return more.length === 0 ? from : [...from, { draw: 1, pool: more }]
    return from.map((source, i) => (i === at ? { ...source, pool: [...(source.pool ?? []), ...more] } : source))
  })
}

const notDrawing = (from: DrawSource[], question: string): DrawSource[] =>
  from.map((source) => (source.pool ? { ...source, pool: source.pool.filter((one) => one !== question) } : source))

/** A question is not asked any more, and stands in no list that is drawn from. */
export function unasked(content: Content, question: string): Content {
  return {
    ...content,
    sections: content.sections.map((section) => ({
      ...section,
      entries: section.entries
        .filter((entry) => isDraw(entry) || entry.question !== question)
        .map((entry) => (isDraw(entry) ? drawnFrom(entry, notDrawing(sourcesOf(entry), question)) : entry)),
    })),
  }
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

/** Entries of another assessment at the end of a section, as they stand there; those that are asked already are left out. */
export function withCopies(content: Content, section: string, entries: Entry[]): Content {
  const asked = new Set(entriesOf(content).flatMap((entry) => (isDraw(entry) ? [] : [entry.question])))
  const taken = new Set(entriesOf(content).map((entry) => entry.id))
  let n = 1
  const fresh = (): string => {
    while (taken.has(`c${n}`)) n++
    taken.add(`c${n}`)
    return `c${n}`
  }
  const more = entries.filter((entry) => isDraw(entry) || !asked.has(entry.question)).map((entry) => ({ ...entry, id: fresh() }))
  return {
    ...content,
    sections: content.sections.map((one) => (one.id === section ? { ...one, entries: [...one.entries, ...more] } : one)),
  }
}

/** What is asked otherwise than the questions say; nothing set is nothing there. */
export const withOverride = (content: Content, ids: string[], override: EntryOverride): Content =>
  editEntries(content, ids, (entry) => {
    const { override: _, ...rest } = entry
    return Object.keys(override).length === 0 ? rest : { ...rest, override }
  })

/** Where entries stand when their section is shuffled. */
export const withPlace = (content: Content, ids: string[], place: Place): Content =>
  editEntries(content, ids, (entry) => {
    const { place: _, fixed: __, ...rest } = entry
    return place === 'anywhere' ? rest : place === 'fixed' ? { ...rest, fixed: true } : { ...rest, place }
  })

/** Where an entry stands when its section is shuffled; fixed: where it stands now. */
export type Place = 'first' | 'anywhere' | 'last' | 'fixed'

export const placeOf = (entry: Entry): Place => (entry.fixed ? 'fixed' : ((entry.place ?? 'anywhere') as Place))
