const isStruck = /line-through/
const isUnderlined = /underline/

/** Marks that stand in styles alone, as web pages and other editors copy them, become marks; a bold that is said to be none goes. */
export function styledWords(body: HTMLElement) {
  for (const outer of body.querySelectorAll<HTMLElement>('b, strong, i, em')) {
    const { fontWeight, fontStyle } = outer.style
    const isBold = /^(?:b|strong)$/.test(outer.localName)
    if (isBold ? /^(?:normal|400)$/.test(fontWeight) : fontStyle === 'normal') outer.replaceWith(...outer.childNodes)
  }
  for (const span of body.querySelectorAll<HTMLElement>('span, font')) {
    const { fontWeight, fontStyle, verticalAlign } = span.style
    const line = span.style.textDecorationLine || span.style.textDecoration
    const marks = [
      ...(fontWeight === 'bold' || Number(fontWeight) >= 600 ? ['strong'] : []),
      ...(/italic|oblique/.test(fontStyle) ? ['em'] : []),
      ...(isUnderlined.test(line) && !span.closest('a') ? ['u'] : []),
      ...(isStruck.test(line) ? ['s'] : []),
      ...(verticalAlign === 'sub' ? ['sub'] : verticalAlign === 'super' ? ['sup'] : []),
    ]
    for (const name of marks) {
      const mark = document.createElement(name)
      mark.append(...span.childNodes)
      span.append(mark)
    }
  }
}
