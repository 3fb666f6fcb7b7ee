/** mso-list:l0 level2 lfo1 */
const LEVEL = /mso-list:\s*l\d+\s+level(\d+)/i
/** What stands before the words of an item: 1. a) (iv) and, for bullets, a sign. */
const NUMBERED = /^\s*\(?(?:\d+|[a-z]{1,4})[.)]/i

/** Lists that a word processor copies as paragraphs with a sign in front become lists, one within another by their levels. */
export function wordLists(body: HTMLElement) {
  const items = [...body.querySelectorAll<HTMLElement>('p, h1, h2, h3, h4, h5, h6')].filter((one) =>
    LEVEL.test(one.getAttribute('style') ?? ''),
  )
  let open: { list: Element; level: number }[] = []
  let last: Element | null = null
  for (const item of items) {
    const level = Number(LEVEL.exec(item.getAttribute('style') ?? '')?.[1] ?? 1)
    const sign = [...item.querySelectorAll<HTMLElement>('span')].find((one) => /mso-list:\s*ignore/i.test(one.getAttribute('style') ?? ''))
    const name = NUMBERED.test(sign?.textContent ?? '') ? 'ol' : 'ul'
    sign?.remove()
    if (last === null || item.previousElementSibling !== open[0]?.list) open = []
    open = open.filter((one) => one.level <= level)
    if (open.at(-1)?.level !== level) {
      const list = document.createElement(name)
      const within = open.at(-1)?.list.lastElementChild
      if (within) within.append(list)
      else item.before(list)
      open.push({ list, level })
    }
    const made = document.createElement('li')
    made.append(...item.childNodes)
    open.at(-1)?.list.append(made)
    item.remove()
    last = made
  }
}
