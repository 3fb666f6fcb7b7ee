/** Where one writes on a page, in its order: title, text, options, feedback; not the numbers beside them. */
const PLACES = '[role=textbox], textarea, input:not([type]), input[type=text]'

/** Goes from one place of writing to the next or the one before. */
export function toPlace(by: -1 | 1) {
  const page = document.querySelector('[data-page]')
  if (!page) return
  const places = [...page.querySelectorAll<HTMLElement>(PLACES)].filter((one) => !one.closest('[data-aside]') && one.offsetParent !== null)
  const at = places.findIndex((one) => one === document.activeElement || one.contains(document.activeElement))
  const next = places[at < 0 ? (by > 0 ? 0 : places.length - 1) : at + by]
  next?.focus()
  next?.scrollIntoView({ block: 'nearest' })
}
