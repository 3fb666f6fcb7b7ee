/**
 * Equations of a word processor (Office Math Markup, ECMA-376 part 1, 22.1) as MathML. HTML parsers write the names of its elements in
 * small letters.
 */
const MATHML = 'http://www.w3.org/1998/Math/MathML'

export const isOmml = (element: Element) => element.localName === 'm:omath'

export function ommlToMathMl(source: Element): Element {
  const math = make('math')
  math.append(...inside(source))
  return math
}

function make(name: string, ...children: Element[]): Element {
  const made = document.createElementNS(MATHML, name)
  made.append(...children)
  return made
}

const child = (of: Element | null, name: string) => [...(of?.children ?? [])].find((one) => one.localName === `m:${name}`) ?? null
const all = (of: Element, name: string) => [...of.children].filter((one) => one.localName === `m:${name}`)

/** A property, such as the sign of a sum; undefined where it is not said, '' where it is said to be none. */
function property(of: Element, list: string, name: string): string | undefined {
  const said = child(child(of, list), name)
  return said ? (said.getAttribute('m:val') ?? '') : undefined
}

function row(of: Element | null): Element {
  const [only, ...more] = of ? inside(of) : []
  return only && more.length === 0 ? only : make('mrow', ...(only ? [only] : []), ...more)
}

const inside = (of: Element): Element[] => [...of.children].flatMap(one)

function operator(sign: string, attributes: Record<string, string> = {}): Element {
  const made = make('mo')
  made.textContent = sign
  for (const [name, value] of Object.entries(attributes)) made.setAttribute(name, value)
  return made
}

const readers: Record<string, (of: Element) => Element[]> = {
  'm:r': (of) => words(of),
  'm:f': (of) => {
    const made = make('mfrac', row(child(of, 'num')), row(child(of, 'den')))
    if (property(of, 'fpr', 'type') === 'noBar') made.setAttribute('linethickness', '0')
    return [made]
  },
  'm:ssup': (of) => [make('msup', row(child(of, 'e')), row(child(of, 'sup')))],
  'm:ssub': (of) => [make('msub', row(child(of, 'e')), row(child(of, 'sub')))],
  'm:ssubsup': (of) => [make('msubsup', row(child(of, 'e')), row(child(of, 'sub')), row(child(of, 'sup')))],
  'm:spre': (of) => [make('mmultiscripts', row(child(of, 'e')), make('mprescripts'), row(child(of, 'sub')), row(child(of, 'sup')))],
  'm:rad': (of) => {
    const degree = row(child(of, 'deg'))
    return [degree.textContent === '' ? make('msqrt', row(child(of, 'e'))) : make('mroot', row(child(of, 'e')), degree)]
  },
  'm:nary': (of) => {
    const [sub, sup] = [row(child(of, 'sub')), row(child(of, 'sup'))]
    const sign = operator(property(of, 'narypr', 'chr') || '∫')
    const isAround = property(of, 'narypr', 'limloc') === 'undOvr'
    return [make(isAround ? 'munderover' : 'msubsup', sign, sub, sup), row(child(of, 'e'))]
  },
  'm:d': (of) => {
    const [open, close, between] = ['begchr', 'endchr', 'sepchr'].map((name) => property(of, 'dpr', name))
    const parts = all(of, 'e').flatMap((one, i) => (i === 0 ? [row(one)] : [operator(between ?? '|'), row(one)]))
    const fence = (sign: string) => (sign === '' ? [] : [operator(sign, { fence: 'true' })])
    return [make('mrow', ...fence(open ?? '('), ...parts, ...fence(close ?? ')'))]
  },
  'm:func': (of) => [row(child(of, 'fname')), operator('\u2061'), row(child(of, 'e'))],
  'm:acc': (of) => over(row(child(of, 'e')), property(of, 'accpr', 'chr') || '\u0302'),
  'm:bar': (of) =>
    property(of, 'barpr', 'pos') === 'bot'
      ? [make('munder', row(child(of, 'e')), operator('_', { stretchy: 'true' }))]
      : over(row(child(of, 'e')), '‾'),
  'm:limlow': (of) => [make('munder', row(child(of, 'e')), row(child(of, 'lim')))],
  'm:limupp': (of) => [make('mover', row(child(of, 'e')), row(child(of, 'lim')))],
  'm:groupchr': (of) => [make('munder', row(child(of, 'e')), operator(property(of, 'groupchrpr', 'chr') || '⏟'))],
  'm:m': (of) => [make('mtable', ...all(of, 'mr').map((one) => make('mtr', ...all(one, 'e').map((cell) => make('mtd', row(cell))))))],
  'm:eqarr': (of) => [make('mtable', ...all(of, 'e').map((line) => make('mtr', make('mtd', row(line)))))],
}

function over(base: Element, sign: string): Element[] {
  const made = make('mover', base, operator(sign))
  made.setAttribute('accent', 'true')
  return [made]
}

/** One element of it. Properties say nothing to read; what is not known is read for what is in it. */
const one = (of: Element): Element[] => (of.localName.endsWith('pr') ? [] : (readers[of.localName]?.(of) ?? inside(of)))

/** A run of words: numbers, names of one letter, signs; words that are said to be upright stay together. */
function words(run: Element): Element[] {
  const upright = property(run, 'rpr', 'sty') === 'p' || property(run, 'rpr', 'nor') !== undefined
  const text = [...run.querySelectorAll('*')].find((one) => one.localName === 'm:t')?.textContent ?? run.textContent ?? ''
  return (text.match(upright ? /\d+(?:[.,]\d+)*|\p{L}+|\s+|[^\p{L}\d\s]/gu : /\d+(?:[.,]\d+)*|\p{L}|[^\p{L}\d\s]/gu) ?? []).map((piece) => {
    const made = make(/^\d/.test(piece) ? 'mn' : /^\p{L}/u.test(piece) ? 'mi' : /^\s/.test(piece) ? 'mtext' : 'mo')
    made.textContent = piece
    if (upright && made.localName === 'mi' && piece.length === 1) made.setAttribute('mathvariant', 'normal')
    return made
  })
}
