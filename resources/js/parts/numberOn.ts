import { texts } from '@/messages'

export type Value = string | { expr: string }
export type Tolerance = { kind: string; width?: Value; digits?: number; written?: boolean; zeros?: string }
export type NumberOn = {
  answer: string
  value?: Value
  values?: Value[]
  from?: Value | null
  to?: Value | null
  ends?: string
  tolerance?: Tolerance
}

export const written = (value: Value | null | undefined): string =>
  value === null || value === undefined ? '' : typeof value === 'string' ? value : value.expr

/** Text with a name in it, or with something to work out, is an expression. */
export const read = (typed: string): Value => {
  const isNumber = /^-?[\d.]+[eE][+-]?\d+$/.test(typed)
  return !isNumber && /[A-Za-z_π*^()×·!]|\d\s*[-+−]/.test(typed) ? { expr: typed } : typed
}

const margin = (tolerance: Tolerance | undefined): string => {
  if (tolerance === undefined) return ''
  if (tolerance.kind === 'absolute') return ` ± ${written(tolerance.width)}`
  if (tolerance.kind === 'percent') return ` ± ${written(tolerance.width)}%`
  return ` ${texts.parts.toDigits({ n: tolerance.digits ?? 0, kind: tolerance.kind })}${tolerance.written ? `, ${texts.parts.writtenSo}` : ''}${tolerance.zeros === 'count' ? `, ${texts.parts.zerosCount}` : ''}`
}

/** A rule of a typed number in words. */
export function sentence(on: NumberOn): string {
  if (on.answer === 'range')
    return texts.parts.range({ from: written(on.from) || '−∞', to: written(on.to) || '∞', ends: texts.parts.ends[on.ends ?? 'both'] ?? '' })
  if (on.answer === 'otherwise') return texts.parts.answers.otherwise ?? ''
  return `${texts.parts.answers.is} ${on.answer === 'set' ? (on.values ?? []).map(written).join(' / ') : written(on.value)}${margin(on.tolerance)}`
}
