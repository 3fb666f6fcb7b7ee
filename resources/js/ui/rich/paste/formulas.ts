import { mathElements } from '../../mathElements'
import { isOmml, ommlToMathMl } from './omml'

/** Office writes its equations into a comment for itself, and a picture of each for everybody else. */
const HIDDEN = /<!--\[if gte msEquation \d+\]>([\s\S]*?)<!\[endif\]-->/gi
/** Empty elements of XML, which HTML would leave open. */
const EMPTY = /<(m:\w+)([^<>]*)\/>/g
const PICTURE = /<!\[if !msEquation\]>[\s\S]*?<!\[endif\]>/gi

/** HTML in which equations stand as elements. */
export const shownFormulas = (html: string): string =>
  html.includes('msEquation')
    ? html.replace(HIDDEN, (_, office: string) => office.replace(EMPTY, '<$1$2></$1>')).replace(PICTURE, '')
    : html

const MATHML = 'http://www.w3.org/1998/Math/MathML'
const ELEMENTS = new Set(mathElements)
/** As the core keeps them (Content\AllowList). */
const ATTRIBUTES = new Set(
  'display mathvariant displaystyle scriptlevel stretchy fence separator lspace rspace minsize maxsize symmetric largeop movablelimits form accent accentunder linethickness columnalign columnspan rowspan encoding data-value'.split(
    ' ',
  ),
)

/** Equations of pasted HTML: those of a word processor as MathML, and MathML with only what is kept of it. */
export function formulas(body: HTMLElement) {
  for (const omml of [...body.querySelectorAll('*')].filter(isOmml)) omml.replaceWith(ommlToMathMl(omml))
  // MathML in a namespace of its own, as <mml:math>, is unknown to a parser of HTML.
  for (const named of [...body.querySelectorAll('*')].filter((one) => /^\w+:math$/.test(one.localName))) named.replaceWith(plain(named))
  for (const math of body.querySelectorAll('math')) cleanFormula(math)
}

/** Only what rich text keeps of a formula. */
export function cleanFormula(math: Element) {
  for (const inner of [math, ...math.querySelectorAll('*')]) clean(inner)
}

function plain(from: Element): Element {
  const made = document.createElementNS(MATHML, from.localName.replace(/^\w+:/, ''))
  for (const { name, value } of from.attributes) made.setAttribute(name, value)
  for (const node of from.childNodes) made.append(node instanceof Element ? plain(node) : node.cloneNode())
  return made
}

function clean(element: Element) {
  const isTex = element.getAttribute('encoding')?.toLowerCase() === 'application/x-tex'
  if (element.localName === 'annotation-xml' || (element.localName === 'annotation' && !isTex)) return element.remove()
  for (const name of element.getAttributeNames()) if (!ATTRIBUTES.has(name)) element.removeAttribute(name)
  if (ELEMENTS.has(element.localName)) return
  const row = document.createElementNS(MATHML, 'mrow')
  row.append(...element.childNodes)
  element.replaceWith(row)
}
