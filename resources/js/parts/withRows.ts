/** Lines as rows from a place on: an empty row is filled before a new one is made. */
export function withRows<Row extends { id: string; html: string }>(
  rows: Row[],
  at: number,
  lines: string[],
  toHtml: (line: string) => string,
  fresh: (rows: Row[]) => Row,
): Row[] {
  const next = [...rows]
  const from = next[at] && next[at].html !== '' ? at + 1 : at
  lines.forEach((line, i) => {
    const here = next[from + i]
    if (here && here.html === '') next[from + i] = { ...here, html: toHtml(line) }
    else next.splice(from + i, 0, { ...fresh(next), html: toHtml(line) })
  })
  return next
}
