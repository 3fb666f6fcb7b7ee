import { formulas, shownFormulas } from './formulas'
import { embeddedPictures } from './pictures'
import { styledWords } from './styledWords'
import { plainTables } from './tables'
import { wordLists } from './wordLists'

/** What is left out of what is pasted, by kind. */
export type LeftOut = {
  /** On other servers. */
  pictures: number
  /** That came along, where there is no bank to keep them. */
  homeless: number
  embedded: number
  fields: number
}
export type Pasted = {
  body: HTMLElement
  /** Pictures that came along and have to be uploaded. */
  pictures: HTMLImageElement[]
  leftOut: LeftOut
}

/** A text of a question holds no more (core/schema/common.json, content). */
const LONGEST = 400_000
const EMBEDDED = 'iframe, frame, object, embed, applet, audio:not([data-media]), video:not([data-media]), canvas, svg'
const FIELDS = 'input:not([type=hidden]), select, textarea, button'
const SILENT = 'script, style, template, noscript, meta, link, title, base, head'
/** As the core reads them (Content\AllowList). */
const HEADINGS = { h1: 'h3', h2: 'h3', h6: 'h5' }
/** Of our own texts; elsewhere these mean something else. */
const OWN = ['data-part', 'data-gap', 'data-of', 'data-piece', 'data-value']

/** HTML from elsewhere as a text can take it: lists, tables, marks, formulas and pictures; styles and rubbish go. null when it is too long. */
export function readPasted(html: string): Pasted | null {
  const source = shownFormulas(html)
  // Pictures may be long, words may not; nothing is parsed that could not be kept.
  if (source.replace(/(["'])data:image\/[^"']*\1/gi, '""').length > LONGEST * 5) return null
  // Parsed without being part of a page: nothing in it runs or loads.
  const { body } = new DOMParser().parseFromString(source, 'text/html')
  for (const silent of body.querySelectorAll(SILENT)) silent.remove()
  // Nothing that could run comes near the page, whatever is done with the rest.
  for (const one of body.querySelectorAll('*'))
    for (const name of one.getAttributeNames()) if (name.toLowerCase().startsWith('on')) one.removeAttribute(name)
  if ((body.textContent?.length ?? 0) > LONGEST) return null
  const { embedded, elsewhere } = embeddedPictures(body)
  const leftOut = { pictures: elsewhere.length, homeless: 0, embedded: 0, fields: 0 }
  for (const one of elsewhere) one.remove()
  formulas(body)
  for (const one of body.querySelectorAll(EMBEDDED)) {
    leftOut.embedded++
    one.remove()
  }
  for (const one of body.querySelectorAll(FIELDS)) {
    leftOut.fields++
    one.replaceWith(one.localName === 'button' ? (one.textContent ?? '') : '')
  }
  if (!body.querySelector('[data-pm-slice]'))
    for (const name of OWN)
      for (const one of body.querySelectorAll(`[${name}]`)) if (one.closest('math') === null) one.removeAttribute(name)
  for (const [from, to] of Object.entries(HEADINGS)) for (const one of body.querySelectorAll(from)) renamed(one, to)
  wordLists(body)
  styledWords(body)
  body.innerHTML = plainTables(body.innerHTML)
  return { body, pictures: embeddedPictures(body).embedded.slice(0, embedded.length), leftOut }
}

function renamed(element: Element, name: string) {
  const made = document.createElement(name)
  made.append(...element.childNodes)
  element.replaceWith(made)
}

export const isComplete = (leftOut: LeftOut): boolean => Object.values(leftOut).every((count) => count === 0)
