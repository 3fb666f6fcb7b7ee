/** The gaps of a part in the order of the text. */
export function gapsOf(body: string, part: string): string[] {
  if (!body.includes('data-gap')) return []
  const found = new DOMParser().parseFromString(body, 'text/html').querySelectorAll<HTMLElement>('[data-gap]')
  return [...found].filter((gap) => gap.dataset.of === part).map((gap) => gap.dataset.gap ?? '')
}

/** The parts inside each table of the text, in the order of the cells. */
export function tablesOf(body: string): string[][] {
  if (!body.includes('<table')) return []
  const tables = [...new DOMParser().parseFromString(body, 'text/html').querySelectorAll('table')]
  return tables
    .map((table) => [...table.querySelectorAll<HTMLElement>('[data-part]')].map((one) => one.dataset.part ?? ''))
    .filter((ids) => ids.length > 1)
}
