import katex from 'katex'
import 'katex/contrib/mhchem'
import { cleanFormula } from '../paste/formulas'
import { tidy } from './tidy'

/** TeX that cannot be read; what is wrong stands in `reason`, in the words of the library that reads it. */
export class UnreadableTex extends Error {
  constructor(readonly reason: string) {
    super(reason)
  }
}

export const LONGEST = 2000
/** Macros that call themselves end here. */
const EXPANSIONS = 500
const REFUSED = '#badbad'
const VALUE = /\\val\s*\{([A-Za-z][A-Za-z0-9_]{0,39})\}/g
const MARK = /^QUARRY\((.+)\)$/

/** TeX as MathML with the TeX beside it, as rich text keeps it. A value of the question, \val{a}, is an empty <mi data-value="a">. */
export function toMathMl(tex: string, isBlock: boolean): string {
  const typed = tex.trim()
  if (typed.length > LONGEST) throw new UnreadableTex(`${LONGEST}`)
  const { body } = new DOMParser().parseFromString(rendered(typed), 'text/html')
  const math = body.querySelector('math')
  const semantics = math?.querySelector('semantics')
  const annotation = math?.querySelector('annotation')
  if (!math || !semantics || !annotation) throw new UnreadableTex('')
  // what may not stand in it, such as a link, is marked so
  const refused = math.querySelector(`[mathcolor="${REFUSED}"]`)
  if (refused) throw new UnreadableTex(refused.textContent ?? '')
  for (const text of math.querySelectorAll('mtext')) {
    const [, name] = MARK.exec(text.textContent ?? '') ?? []
    if (name === undefined) continue
    const value = document.createElementNS(math.namespaceURI, 'mi')
    value.setAttribute('data-value', name)
    text.replaceWith(value)
  }
  annotation.textContent = typed
  tidy(semantics)
  cleanFormula(math)
  for (const name of math.getAttributeNames()) math.removeAttribute(name)
  if (isBlock) math.setAttribute('display', 'block')
  return math.outerHTML
}

function rendered(tex: string): string {
  const marked = tex.replace(VALUE, (_, name: string) => `\\text{QUARRY(${name.replaceAll('_', '\\_')})}`)
  try {
    return katex.renderToString(marked, {
      output: 'mathml',
      throwOnError: true,
      strict: false,
      trust: false,
      errorColor: REFUSED,
      maxExpand: EXPANSIONS,
      maxSize: 20,
    })
  } catch (problem) {
    const said = problem instanceof Error ? problem.message : ''
    throw new UnreadableTex(said.replace(/^KaTeX parse error: /, '').replace(/\p{M}/gu, ''))
  }
}
