import { all, create, type FactoryFunctionMap, type Fraction, type MathType } from 'mathjs'

/** What came of a calculation: a decimal, and the fraction where it is exact and shorter than its decimal. */
export type Worked = { value: string; fraction?: string } | { problem: 'empty' | 'syntax' | 'zero' | 'none' | 'unknown'; name?: string }

const FIGURES = 10
const exact = create(all as FactoryFunctionMap, { number: 'Fraction', matrix: 'Array' })
const near = create(all as FactoryFunctionMap, { number: 'number', matrix: 'Array' })
const evaluateExactly = exact.evaluate.bind(exact)
const evaluateNearly = near.evaluate.bind(near)
// Nothing but arithmetic: what could define, import or simplify is taken away.
const closed = Object.fromEntries(
  ['import', 'createUnit', 'evaluate', 'parse', 'simplify', 'derivative', 'resolve', 'reviver'].map((name) => [name, undefined]),
)

type Mode = 'degrees' | 'radians'

/**
 * Works out what was typed: with fractions as long as only + − × ÷ and whole powers stand in it, with decimals otherwise. `log` is to the
 * base 10 and `ln` to e, as on paper.
 */
export function calculate(typed: string, mode: Mode, kept: string): Worked {
  const text = plain(typed, kept)
  if (text.trim() === '') return { problem: 'empty' }
  if (/[="'[\]{};:]/.test(text)) return { problem: 'syntax' }
  try {
    if (!isSmall(text)) throw new RangeError('Its fraction would be endless.')
    const fraction = evaluateExactly(text, { ...closed }) as MathType
    if (exact.typeOf(fraction) === 'Fraction') return fromFraction(fraction as Fraction)
  } catch {
    // a root, an angle, a logarithm: decimals do
  }
  try {
    const value = evaluateNearly(text, { ...closed, ...scope(mode) }) as unknown
    if (typeof value !== 'number' || Number.isNaN(value)) return { problem: 'none' }
    if (!Number.isFinite(value)) return { problem: 'zero' }
    return { value: shown(value) }
  } catch (error) {
    const name = /^Undefined (?:symbol|function) (\S+)/.exec(String((error as Error).message))?.[1]
    return name ? { problem: 'unknown', name } : { problem: 'syntax' }
  }
}

/** Whether its powers are small enough to be worked out as a fraction: 9^9^9 would never end. */
const isSmall = (text: string): boolean => {
  const powers = text.match(/\^/g)?.length ?? 0
  return powers <= 2 && (text.match(/\^\s*-?\d{1,2}(?![\d.])/g)?.length ?? 0) === powers
}

function scope(mode: Mode) {
  const turn = mode === 'degrees' ? Math.PI / 180 : 1
  const whole = (value: number) => (Math.abs(value - Math.round(value)) < 1e-12 ? Math.round(value) : value)
  return {
    sin: (x: number) => whole(Math.sin(x * turn)),
    cos: (x: number) => whole(Math.cos(x * turn)),
    tan: (x: number) => (Math.abs(Math.cos(x * turn)) < 1e-15 ? Number.POSITIVE_INFINITY : whole(Math.tan(x * turn))),
    asin: (x: number) => Math.asin(x) / turn,
    acos: (x: number) => Math.acos(x) / turn,
    atan: (x: number) => Math.atan(x) / turn,
    ln: (x: number) => (x > 0 ? Math.log(x) : Number.NaN),
    log: (x: number) => (x > 0 ? Math.log10(x) : Number.NaN),
    sqrt: (x: number) => (x < 0 ? Number.NaN : Math.sqrt(x)),
  }
}

/** The signs of the keys and of other keyboards as the library takes them. */
const plain = (typed: string, kept: string): string =>
  typed
    .replace(/[×·]/g, '*')
    .replace(/÷/g, '/')
    .replace(/[−–]/g, '-')
    .replace(/π/g, 'pi')
    .replace(/√/g, 'sqrt')
    .replace(/²/g, '^2')
    .replace(/³/g, '^3')
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/(\d+(?:\.\d+)?)\s*%/g, '($1/100)')
    .replace(/\bM\b/g, `(${kept || '0'})`)

function fromFraction(fraction: Fraction): Worked {
  const value = Number(fraction.valueOf())
  if (!Number.isFinite(value)) return { problem: 'zero' }
  const written = fraction.toFraction()
  return written.includes('/') && written.length <= 12 ? { value: shown(value), fraction: written } : { value: shown(value) }
}

const shown = (value: number): string => String(Number(value.toPrecision(FIGURES))).replace('-', '−')
