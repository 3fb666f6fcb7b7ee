/** The gaps of a part in the order of the text. */
export function gapsOf(body: string, part: string): string[] {
  if (!body.includes('data-gap')) return []
  const found = new DOMParser().parseFromString(body, 'text/html').querySelectorAll<HTMLElement>('[data-gap]')
  return [...found].filter((gap) => gap.dataset.of === part).map((gap) => gap.dataset.gap ?? '')
}
