/** Ids of the remarks a text has, in the order in which their passages begin. */
export function remarksOf(html: string): string[] {
  if (!html.includes('data-remark')) return []
  const held = document.createElement('template')
  held.innerHTML = html
  const ids = [...held.content.querySelectorAll('[data-remark]')].map((one) => one.getAttribute('data-remark') ?? '')
  return [...new Set(ids)]
}

/** The text with every passage underlined, and behind it the number of its remark. */
export function withRemarkNumbers(html: string): string {
  const order = remarksOf(html)
  if (order.length === 0) return html
  const held = document.createElement('template')
  held.innerHTML = html
  for (const [i, id] of order.entries()) {
    const pieces = [...held.content.querySelectorAll('[data-remark]')].filter((one) => one.getAttribute('data-remark') === id)
    const sign = document.createElement('sup')
    sign.textContent = `[${i + 1}]`
    pieces.at(-1)?.after(sign)
    for (const piece of pieces) {
      const line = document.createElement('u')
      line.append(...piece.childNodes)
      piece.replaceWith(line)
    }
  }
  return held.innerHTML
}

/** The text with the anchors of one remark taken off; the words stay. */
export function withoutRemark(html: string, id: string): string {
  const held = document.createElement('template')
  held.innerHTML = html
  for (const span of held.content.querySelectorAll('span[data-remark]'))
    if (span.getAttribute('data-remark') === id) span.replaceWith(...span.childNodes)
  return held.innerHTML
}
