/** Attributes that MathML Core has no use for, or that only say how far apart things are. */
const SCRIPTS = 'msub, msup, msubsup'
const SPACING = ['rowspacing', 'columnspacing', 'style', 'class']

/**
 * Brings MathML to what it means. Scripts that were set against something invisible, as chemical formulas are by TeX, go to the element
 * they belong to, so that they are read aloud as scripts of it; scripts before a symbol become mmultiscripts (MathML Core 3.4.3).
 */
export function tidy(root: Element) {
  for (const element of root.querySelectorAll('*')) {
    const kept = [...element.attributes].filter((one) => !SPACING.includes(one.name)).sort((a, b) => (a.name < b.name ? -1 : 1))
    for (const name of element.getAttributeNames()) element.removeAttribute(name)
    for (const { name, value } of kept) element.setAttribute(name, value) // in the order in which rich text keeps them
  }
  for (const style of root.querySelectorAll('mtd > mstyle')) style.replaceWith(...style.childNodes)
  const all = [...root.querySelectorAll(SCRIPTS)].map((scripts) => ({ scripts, side: sideOf(scripts) }))
  for (const phantom of root.querySelectorAll('mphantom')) phantom.remove()
  for (const padded of [...root.querySelectorAll('mpadded')].reverse()) unwrap(padded)
  for (const { scripts, side } of all) if (side) attach(scripts, side)
  for (const row of [...root.querySelectorAll('mrow')].reverse()) {
    if (row.children.length === 1 || (row.children.length === 0 && row.parentElement?.localName === 'mrow')) unwrap(row)
  }
}

function unwrap(element: Element) {
  const { children, ownerDocument, namespaceURI } = element
  if (children.length === 1 && children[0]) element.replaceWith(children[0])
  else if (element.localName === 'mrow') element.remove()
  else {
    const row = ownerDocument.createElementNS(namespaceURI, 'mrow')
    row.append(...children)
    element.replaceWith(row)
  }
}

const isEmpty = (element: Element | null | undefined) =>
  element?.localName === 'mrow' && element.querySelector('mi, mn, mo, mtext, ms') === null

/** TeX says {}^{14}_{6}C for what stands before C; mhchem sets scripts against an invisible letter, those before a symbol moved back. */
function sideOf(scripts: Element): 'before' | 'after' | null {
  const [base] = scripts.children
  if (scripts.querySelector(':scope > * [lspace="-1width"]')) return 'before'
  if (base?.localName === 'mrow' && base.childNodes.length === 0) return 'before'
  return base?.querySelector('mphantom') && base.querySelectorAll('mi, mn, mo').length === 1 ? 'after' : null
}

function attach(scripts: Element, side: 'before' | 'after') {
  const said = [...scripts.children].slice(1)
  const document = scripts.ownerDocument
  const make = (name: string, ...inside: Element[]) => {
    const made = document.createElementNS(scripts.namespaceURI, name)
    made.append(...inside)
    return made
  }
  const [next, last] = [scripts.nextElementSibling, scripts.previousElementSibling]
  if (said.every(isEmpty))
    scripts.remove() // kept the room of scripts that come next
  else if (side === 'before' && next) {
    const [sub, sup] = scripts.localName === 'msup' ? [make('mrow'), said[0]] : [said[0], said[1] ?? make('mrow')]
    if (!sub || !sup) return
    const holder = make('mmultiscripts')
    next.replaceWith(holder)
    holder.append(next, make('mprescripts'), sub, sup)
    scripts.remove()
  } else if (side === 'after' && last) {
    const [base, sub] = last.localName === 'msub' && scripts.localName === 'msup' ? [...last.children] : [last]
    if (!base) return
    scripts.replaceWith(sub ? make('msubsup', base, sub, ...said) : make(scripts.localName, base, ...said))
    if (sub) last.remove() // its children have gone; otherwise it has moved itself
  }
}
