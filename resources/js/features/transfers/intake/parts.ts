import type { FileParts, Part } from '@/api/intakes'

/** What is ticked, file by file. */
export type Ticked = Record<string, string[]>

/** All parts of every file. */
export const everything = (files: FileParts[]): Ticked =>
  Object.fromEntries(files.map((file) => [file.id, file.parts.map((part) => part.id)]))

/** Part → titles of the ticked parts that bring it along, because they ask its questions. */
export function broughtBy(file: FileParts, ticked: string[]): Map<string, string[]> {
  const by = new Map<string, string[]>()
  for (const part of file.parts.filter((one) => ticked.includes(one.id)))
    for (const needed of part.needs) if (!ticked.includes(needed)) by.set(needed, [...(by.get(needed) ?? []), part.title])
  return by
}

/** How many parts and questions are read in the end. */
export function readInAll(files: FileParts[], ticked: Ticked) {
  const read = files.flatMap((file) => {
    const brought = broughtBy(file, ticked[file.id] ?? [])
    return file.parts.filter((part) => ticked[file.id]?.includes(part.id) || brought.has(part.id))
  })
  return { parts: read.length, questions: read.reduce((sum, part) => sum + part.questions, 0) }
}

/** Parts under the places of a course they stand in, in their order. */
export function byPlace(parts: Part[]): [place: string, parts: Part[]][] {
  const places = new Map<string, Part[]>()
  for (const part of parts) {
    const place = part.path.join(' › ')
    places.set(place, [...(places.get(place) ?? []), part])
  }
  return [...places]
}
