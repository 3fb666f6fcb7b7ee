/** A list with one entry in another place; the same list when there is no such place. */
export function moved<Entry>(list: Entry[], from: number, to: number): Entry[] {
  if (to < 0 || to >= list.length || from === to) return list
  const next = [...list]
  next.splice(to, 0, ...next.splice(from, 1))
  return next
}
