/** The parts inside each table of the text, in the order of the cells. */
export function tablesOf(body: string): string[][] {
  if (!body.includes('<table')) return []
  const tables = [...new DOMParser().parseFromString(body, 'text/html').querySelectorAll('table')]
  return tables
    .map((table) => [...table.querySelectorAll<HTMLElement>('[data-part]')].map((one) => one.dataset.part ?? ''))
    .filter((ids) => ids.length > 1)
}
