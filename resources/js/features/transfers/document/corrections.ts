import type { Corrections, Line } from '@/api/documents'

export type Part = 'lines' | 'looks' | 'words' | 'types' | 'keys'

/** A correction more, or one fewer where the value is null. Empty parts go, so that what is taken back leaves nothing behind. */
export function withCorrection(now: Corrections, part: Part, name: string, value: string | number[] | null): Corrections {
  const held = { ...(now[part] as Record<string, unknown> | undefined) }
  if (value === null) delete held[name]
  else held[name] = value
  const rest = Object.fromEntries(Object.entries(now).filter(([key]) => key !== part)) as Corrections
  return Object.keys(held).length > 0 ? { ...rest, [part]: held } : rest
}

/** Leaves out paragraphs: all those of a question that is none. */
export function withoutLines(now: Corrections, lines: number[]): Corrections {
  return { ...now, lines: { ...now.lines, ...Object.fromEntries(lines.map((line) => [line, 'unused'])) } }
}

export function withPoints(now: Corrections, points: string): Corrections {
  const { points: _, ...rest } = now
  return points.trim() === '' ? rest : { ...rest, points }
}

/** Words before a colon, by which other lines of the document may be told: "R:" of "R: because it cools". */
export function wordOf(html: string): string | null {
  const text = html.replace(/<[^>]*>/g, '').replaceAll('&amp;', '&')
  return /^\s*(\p{L}[\p{L} ]{0,24}:)\s*\S/u.exec(text)?.[1] ?? null
}

/** The look that sets an option apart from the others of its question: what may be said of all questions. */
export function lookOf(lines: Line[], option: number): string | null {
  const options = lines.filter((line) => line.option !== null)
  const right = options.find((line) => line.option === option)
  const others = options.filter((line) => line.option !== option)
  const apart = right?.looks.filter((look) => !others.some((line) => line.looks.includes(look))) ?? []
  // "highlight:yellow" says more than "highlight", and both say the same of one document
  return apart.find((look) => !look.includes(':')) ?? apart[0] ?? null
}
