/** Tables as a spreadsheet or a text program copies them, brought to rows of plain cells, which the editor can change. */
export function plainTables(html: string): string {
  if (!/<table/i.test(html)) return html
  const body = new DOMParser().parseFromString(html, 'text/html').body
  for (const table of body.querySelectorAll('table')) {
    const rows = document.createElement('tbody')
    rows.append(...table.querySelectorAll('tr'))
    table.replaceChildren(rows)
    for (const row of [table, rows, ...rows.rows]) for (const name of row.getAttributeNames()) row.removeAttribute(name)
    for (const cell of table.querySelectorAll('td, th')) {
      for (const block of cell.querySelectorAll('p, div')) block.replaceWith(...block.childNodes, ' ')
      cell.innerHTML = cell.innerHTML.trim()
      for (const name of cell.getAttributeNames())
        if (!['colspan', 'rowspan', 'scope'].includes(name) || cell.getAttribute(name) === '1') cell.removeAttribute(name)
    }
  }
  return body.innerHTML
}
