/**
 * What is typed while a question is being saved and the next is not there yet: kept, and put into the next one's text. Without it the first letters
 * would go into the question that was just saved.
 */
let typed: string | null = null

function keep(event: KeyboardEvent) {
  if (typed === null || event.ctrlKey || event.metaKey || event.altKey) return
  if ([...event.key].length === 1) typed += event.key
  else if (event.key === 'Backspace') typed = [...typed].slice(0, -1).join('')
  else return
  event.preventDefault()
  event.stopImmediatePropagation()
}

export function beginTypeAhead() {
  if (typed !== null) return
  typed = ''
  addEventListener('keydown', keep, { capture: true })
}

/** What was typed until now; from here on keys go where the focus is. */
export function takeTypeAhead(): string {
  const text = typed ?? ''
  typed = null
  removeEventListener('keydown', keep, { capture: true })
  return text
}
