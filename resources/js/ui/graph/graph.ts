/** A figure as core/schema/common.json#/$defs/figure says; a number may be an expression. */
export type Num = string | { expr: string }
export type Figure = {
  figure: string
  points?: Num[][]
  coefficients?: Num[]
  expression?: string
  domain?: Num[]
  ends?: string[]
  side?: Num[]
  dashed?: boolean
  strict?: boolean
  free?: boolean
}
export type AxisShown = { from: string; to: string; step: string; name: string; unit: string }

/** A grid as a presentation has it: drawn, with the numbers to draw on it. */
export type ShownGraph = {
  surface: 'plane' | 'line'
  tools: string[]
  dashes: boolean
  max: number | null
  problem?: string
  snap?: string | null
  x?: AxisShown
  y?: AxisShown | null
  given?: string[]
  frame?: { width: number; height: number; left: number; top: number; right: number; bottom: number }
  grid?: string
  figures?: string
  background?: { media: string; alt: string; opacity: number; x: number; y: number; width: number; height: number } | null
}
/** A grid that can be drawn on. */
export type Ground = Required<Pick<ShownGraph, 'frame' | 'grid' | 'figures' | 'x'>> & ShownGraph

export const isGround = (shown: ShownGraph): shown is Ground => shown.frame !== undefined && shown.x !== undefined

/** How many places are put down for a figure; null: until it is finished. The last of an inequality chooses its side. */
export const placesOf: Record<string, number | null> = {
  point: 1,
  segment: 2,
  line: 2,
  ray: 2,
  vector: 2,
  circle: 2,
  parabola: 2,
  ellipse: 3,
  hyperbola: 3,
  inequality: 3,
  interval: 2,
  number_ray: 2,
  polyline: null,
  polygon: null,
}
const undashed = ['point', 'interval', 'number_ray']
/** Figures that are typed instead of put down. */
export const isTyped = (tool: string): boolean => tool === 'function' || tool === 'conic'
export const onLine = ['point', 'interval', 'number_ray']
export const onPlane = [
  'point',
  'segment',
  'line',
  'ray',
  'vector',
  'polyline',
  'polygon',
  'circle',
  'parabola',
  'ellipse',
  'hyperbola',
  'conic',
  'function',
  'inequality',
]

/**
 * The figure of a tool from the places put down; null while some are missing.
 *
 * @param dashed how it is drawn; null where there is no choice
 */
export function made(tool: string, places: Spot[], dashed: boolean | null, ends: string[], isLine: boolean): Figure | null {
  const need = placesOf[tool]
  const least = tool === 'polygon' ? 3 : tool === 'polyline' ? 2 : (need ?? 0)
  if (places.length < least || isTyped(tool)) return null
  const point = ({ x, y }: Spot) => (isLine ? [x] : [x, y])
  const figure: Figure = { figure: tool, points: places.map(point) }
  if (tool === 'inequality') {
    figure.points = places.slice(0, 2).map(point)
    const side = places[2]
    if (side) figure.side = point(side)
  }
  if (dashed !== null && !undashed.includes(tool)) figure.dashed = dashed
  if (tool === 'interval') figure.ends = ends
  if (tool === 'number_ray') figure.ends = ends.slice(0, 1)
  return figure
}

/** A place in units of the grid: exact numbers as text. */
export type Spot = { x: string; y: string }

export const text = (number: Num | undefined): string => (typeof number === 'string' ? number : number ? number.expr : '')

/** The value of an exact number; null where it is an expression or none. */
export function value(number: Num | undefined): number | null {
  if (typeof number !== 'string' || number.trim() === '') return null
  const [above = '', below = '1'] = number.split('/')
  const found = Number(above) / Number(below)
  return Number.isFinite(found) ? found : null
}

/** The number nearest to a value among the multiples of a step, written without a trace of binary fractions. */
export function snapped(at: number, step: string | null | undefined, fine: number): string {
  const [above = '1', below = '1'] = (step ?? '').split('/')
  const by = step ? value(step) : null
  if (by === null || by <= 0) return decimal(Math.round(at / fine) * fine)
  const n = Math.round(at / by)
  if (!step?.includes('/')) return decimal(n * by)
  const top = n * Number(above)
  return top % Number(below) === 0 ? String(top / Number(below)) : `${top}/${below}`
}

export const decimal = (number: number): string => String(Number(number.toFixed(6)) + 0)

/** A number as it can be typed: an expression stands behind "=". */
export const typed = (number: Num | null | undefined): string => (typeof number === 'string' ? number : number ? `= ${number.expr}` : '')

/** "(0, 1) (2, 5)": places as they can be typed. */
export const written = (figure: Figure): string => (figure.points ?? []).map((point) => `(${point.map(typed).join(', ')})`).join(' ')

/** The places of what was typed; null where it cannot be read. Numbers may be expressions behind "=". */
export function read(words: string, isLine: boolean): Num[][] | null {
  // brackets of an expression may stand inside those of a place
  const places = words.match(/\((?:[^()]|\([^()]*\))*\)|[^\s(),;]+/g) ?? []
  const numbers = (place: string): Num[] =>
    (place.startsWith('(') ? place.slice(1, -1) : place)
      .split(',')
      .map((number) => number.trim().replace('−', '-'))
      .map((number) => (number.startsWith('=') ? { expr: number.slice(1).trim() } : number))
  const found = places.map(numbers)
  const wanted = isLine ? 1 : 2
  const good = found.every(
    (place) => place.length === wanted && place.every((one) => typeof one !== 'string' || /^-?\d+([.]\d+)?(\/\d+)?$/.test(one)),
  )
  return good && found.length > 0 ? found : null
}

/** Higher and lower than any grid: a point on the side of a boundary that is a formula. */
const FAR = '1000000'

export function sideOf(axis: AxisShown, above: boolean): Num[] {
  const middle = ((value(axis.from) ?? 0) + (value(axis.to) ?? 0)) / 2
  return [decimal(middle), above ? FAR : `-${FAR}`]
}

/** The same inequality for the other side: its point is mirrored in the boundary's first point, or put beyond the formula. */
export function otherSide(figure: Figure): Figure {
  const [a, side] = [figure.points?.[0], figure.side]
  if (!side) return figure
  if (!a) return { ...figure, side: [side[0] ?? '0', text(side[1]) === FAR ? `-${FAR}` : FAR] }
  const mirror = (i: number) => decimal(2 * (value(a[i]) ?? 0) - (value(side[i]) ?? 0))
  return { ...figure, side: [mirror(0), mirror(1)] }
}
