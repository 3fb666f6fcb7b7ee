/** Shapes on a picture, in its units (core/schema/common.json, shape). What a place is worth is the core's to say; this draws them. */
export const shapes = ['rectangle', 'circle', 'ellipse', 'polygon'] as const
export type ShapeName = (typeof shapes)[number]
/** A number as text, or an expression over the question's values, which is not drawn. */
export type Place = string | { expr: string }
export type Area = { shape: ShapeName; at: Place[] }
export type Spot = { x: number; y: number }
export type Box = { left: number; top: number; right: number; bottom: number }
export type Size = { width: number; height: number }

const COUNT = { rectangle: 4, circle: 3, ellipse: 4 }

/** Its numbers; null where one is missing, unreadable or an expression. */
export function numbersOf(at: Place[]): number[] | null {
  const numbers = at.map((one) => (typeof one === 'string' && one.trim() !== '' ? numberOf(one) : Number.NaN))
  return numbers.every(Number.isFinite) ? numbers : null
}

/** Exact numbers may be fractions. */
function numberOf(text: string): number {
  const [top, bottom] = text.split('/')
  return bottom === undefined ? Number(text) : Number(top) / Number(bottom)
}

/** As it is drawn; null where it cannot be. */
export function drawn(area: Area): number[] | null {
  const numbers = numbersOf(area.at)
  if (!numbers) return null
  const isWhole = area.shape === 'polygon' ? numbers.length >= 6 && numbers.length % 2 === 0 : numbers.length === COUNT[area.shape]
  return isWhole ? numbers : null
}

/** Whole units, unless an author typed others. */
export const written = (numbers: number[]): string[] => numbers.map((one) => String(Math.round(one * 1000) / 1000))

export function boxOf(shape: ShapeName, n: number[]): Box {
  const [a = 0, b = 0, c = 0, d = 0] = n
  if (shape === 'circle') return { left: a - c, top: b - c, right: a + c, bottom: b + c }
  if (shape === 'ellipse') return { left: a - c, top: b - d, right: a + c, bottom: b + d }
  const [xs, ys] =
    shape === 'rectangle'
      ? [
          [a, c],
          [b, d],
        ]
      : [n.filter((_, i) => i % 2 === 0), n.filter((_, i) => i % 2 === 1)]
  return { left: Math.min(...xs), top: Math.min(...ys), right: Math.max(...xs), bottom: Math.max(...ys) }
}

/** The same shape so much further right and down. */
export function shifted(shape: ShapeName, n: number[], dx: number, dy: number): number[] {
  return n.map((one, i) => (shape === 'polygon' || shape === 'rectangle' || i < 2 ? one + (i % 2 === 0 ? dx : dy) : one))
}

/** The same shape where another picture is that many times as wide and high; a circle stays one. */
export function scaled(shape: ShapeName, n: number[], byX: number, byY: number): number[] {
  return n.map((one, i) => (shape === 'circle' && i === 2 ? one * Math.min(byX, byY) : one * (i % 2 === 0 ? byX : byY)))
}

/** Where it can be taken hold of to change its form. */
export function handlesOf(shape: ShapeName, n: number[]): Spot[] {
  const [a = 0, b = 0, c = 0, d = 0] = n
  if (shape === 'circle') return [{ x: a + c, y: b }]
  if (shape === 'ellipse')
    return [
      { x: a + c, y: b },
      { x: a, y: b + d },
    ]
  if (shape === 'rectangle')
    return [
      { x: a, y: b },
      { x: c, y: b },
      { x: c, y: d },
      { x: a, y: d },
    ]
  return n.flatMap((x, i) => (i % 2 === 0 ? [{ x, y: n[i + 1] ?? 0 }] : []))
}

/** The shape with one of its handles somewhere else. */
export function reshaped(shape: ShapeName, n: number[], handle: number, to: Spot): number[] {
  const [a = 0, b = 0, c = 0, d = 0] = n
  const { x, y } = to
  if (shape === 'circle') return [a, b, Math.max(1, Math.round(Math.hypot(x - a, y - b)))]
  if (shape === 'ellipse') return handle === 0 ? [a, b, Math.max(1, Math.abs(x - a)), d] : [a, b, c, Math.max(1, Math.abs(y - b))]
  if (shape === 'rectangle')
    return [handle === 0 || handle === 3 ? x : a, handle < 2 ? y : b, handle === 1 || handle === 2 ? x : c, handle < 2 ? d : y]
  return n.map((one, i) => (i === handle * 2 ? x : i === handle * 2 + 1 ? y : one))
}

/** A rectangle whose first corner is left and above, whatever corner was drawn to. */
export function upright(shape: ShapeName, n: number[]): number[] {
  if (shape !== 'rectangle') return n
  const box = boxOf(shape, n)
  return [box.left, box.top, box.right, box.bottom]
}

/** What is drawn from one place to another. */
export function between(shape: ShapeName, from: Spot, to: Spot): number[] {
  if (shape === 'circle') return [from.x, from.y, Math.round(Math.hypot(to.x - from.x, to.y - from.y))]
  if (shape === 'ellipse') return [(from.x + to.x) / 2, (from.y + to.y) / 2, Math.abs(to.x - from.x) / 2, Math.abs(to.y - from.y) / 2]
  return upright('rectangle', [from.x, from.y, to.x, to.y])
}

/** One to begin with, in the middle of the picture, a little aside from others that are there. */
export function fresh(shape: ShapeName, { width, height }: Size, aside: number): number[] {
  const [x, y] = [Math.round(width / 2 + (aside % 5) * width * 0.03), Math.round(height / 2 + (aside % 5) * height * 0.03)]
  const r = Math.round(Math.min(width, height) / 10)
  if (shape === 'circle') return [x, y, r]
  if (shape === 'ellipse') return [x, y, Math.round(r * 1.5), r]
  if (shape === 'rectangle') return [x - r, y - r, x + r, y + r]
  return [x, y - r, x + r, y + r, x - r, y + r]
}

/** Whether a place lies in it, as nearly as a screen shows. */
export function contains(shape: ShapeName, n: number[], { x, y }: Spot): boolean {
  const [a = 0, b = 0, c = 0, d = 0] = n
  if (shape === 'circle' || shape === 'ellipse') {
    const [rx, ry] = [c, shape === 'circle' ? c : d]
    return rx > 0 && ry > 0 && ((x - a) / rx) ** 2 + ((y - b) / ry) ** 2 <= 1
  }
  const box = boxOf(shape, n)
  if (x < box.left || x > box.right || y < box.top || y > box.bottom) return false
  if (shape === 'rectangle') return true
  let inside = false
  for (let i = 0, j = n.length - 2; i < n.length; j = i, i += 2) {
    const [x1, y1, x2, y2] = [n[i] ?? 0, n[i + 1] ?? 0, n[j] ?? 0, n[j + 1] ?? 0]
    if (y1 > y !== y2 > y && x < ((x2 - x1) * (y - y1)) / (y2 - y1) + x1) inside = !inside
  }
  return inside
}

/** Places all round its edge. */
export function outline(shape: ShapeName, n: number[]): Spot[] {
  const [a = 0, b = 0, c = 0, d = 0] = n
  if (shape === 'circle' || shape === 'ellipse')
    return Array.from({ length: 24 }, (_, i) => {
      const angle = (i * Math.PI) / 12
      return { x: a + c * Math.cos(angle), y: b + (shape === 'circle' ? c : d) * Math.sin(angle) }
    })
  const corners = handlesOf(shape, n)
  return corners.flatMap((corner, i) => {
    const next = corners[(i + 1) % corners.length] ?? corner
    return [0, 0.25, 0.5, 0.75].map((share) => ({ x: corner.x + (next.x - corner.x) * share, y: corner.y + (next.y - corner.y) * share }))
  })
}

type Drawn = { shape: ShapeName; n: number[] }
export const doOverlap = (one: Drawn, other: Drawn): boolean =>
  outline(one.shape, one.n).some((spot) => contains(other.shape, other.n, spot)) ||
  outline(other.shape, other.n).some((spot) => contains(one.shape, one.n, spot))
/** Whether the first lies wholly in the second. */
export const isWithin = (one: Drawn, other: Drawn): boolean =>
  outline(one.shape, one.n).every((spot) => contains(other.shape, other.n, spot))

/** Where its number stands. */
export function middle(shape: ShapeName, n: number[]): Spot {
  if (shape === 'circle' || shape === 'ellipse') return { x: n[0] ?? 0, y: n[1] ?? 0 }
  const box = boxOf(shape, n)
  const centre = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 }
  if (shape === 'rectangle' || contains(shape, n, centre)) return centre
  const corners = handlesOf(shape, n)
  return corners[0] ?? centre
}
