import { type Figure, type Ground, type Spot, snapped, value } from './graph'

const ends = (ground: Ground) => {
  const { frame, x, y } = ground
  const number = (written: string | undefined) => value(written) ?? 0
  return { frame, x: [number(x.from), number(x.to)] as const, y: [number(y?.from), number(y?.to)] as const }
}

/** Where a place in units of the grid is on the drawing. */
export function pixelOf(ground: Ground, x: number, y: number): [number, number] {
  const { frame, x: across, y: up } = ends(ground)
  return [
    frame.left + ((x - across[0]) / (across[1] - across[0])) * (frame.right - frame.left),
    ground.y ? frame.bottom - ((y - up[0]) / (up[1] - up[0])) * (frame.bottom - frame.top) : frame.bottom,
  ]
}

/** The place at a pixel, kept on the grid and to its snap. */
export function spotAt(ground: Ground, at: { x: number; y: number }): Spot {
  const { frame, x, y } = ends(ground)
  const share = (now: number, from: number, to: number) => Math.min(1, Math.max(0, (now - from) / (to - from)))
  const across = x[0] + share(at.x, frame.left, frame.right) * (x[1] - x[0])
  const up = ground.y ? y[1] - share(at.y, frame.top, frame.bottom) * (y[1] - y[0]) : 0
  return kept(ground, across, up)
}

/** The place nearest to two numbers that points may take. */
export function kept(ground: Ground, x: number, y: number): Spot {
  const { x: across, y: up } = ends(ground)
  const fine = (axis: readonly [number, number]) => 10 ** Math.floor(Math.log10((axis[1] - axis[0]) / 400))
  const within = (now: number, axis: readonly [number, number]) => Math.min(axis[1], Math.max(axis[0], now))
  return {
    x: snapped(within(x, across), ground.snap, fine(across)),
    y: ground.y ? snapped(within(y, up), ground.snap, fine(up)) : '0',
  }
}

/** A figure while it is drawn or moved: its points and what is straight or round of it; the rest is drawn by the server a moment later. */
export function preview(ground: Ground, figure: Figure): string {
  const places = (figure.points ?? []).flatMap((point) => {
    const [x, y] = [value(point[0]), ground.y ? value(point[1]) : 0]
    return x === null || y === null ? [] : [pixelOf(ground, x, y)]
  })
  const [a, b] = places
  if (!a || !b) return ''
  const pair = ([x, y]: [number, number]) => `${x.toFixed(1)},${y.toFixed(1)}`
  const far = ground.frame.width + ground.frame.height
  const long = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
  const beyond = (way: number): [number, number] => [a[0] + (way * far * (b[0] - a[0])) / long, a[1] + (way * far * (b[1] - a[1])) / long]
  if (figure.figure === 'line' || figure.figure === 'inequality') return `M${pair(beyond(-1))}L${pair(beyond(1))}`
  if (figure.figure === 'ray') return `M${pair(a)}L${pair(beyond(1))}`
  if (figure.figure === 'number_ray') return `M${pair(a)}H${b[0] > a[0] ? ground.frame.right : ground.frame.left}`
  if (figure.figure === 'circle') return circle(ground, figure)
  return `M${places.map(pair).join('L')}${figure.figure === 'polygon' && places.length > 2 ? 'Z' : ''}`
}

/** Round in units, so an ellipse where the axes have other scales. */
function circle(ground: Ground, figure: Figure): string {
  const [centre, point] = (figure.points ?? []).map((one) => [value(one[0]) ?? 0, value(one[1]) ?? 0] as const)
  if (!centre || !point) return ''
  const radius = Math.hypot(point[0] - centre[0], point[1] - centre[1])
  const [left, middle] = pixelOf(ground, centre[0] - radius, centre[1])
  const [right] = pixelOf(ground, centre[0] + radius, centre[1])
  const [, top] = pixelOf(ground, centre[0], centre[1] + radius)
  const [rx, ry] = [(right - left) / 2, middle - top]
  return `M${left},${middle}a${rx},${ry} 0 1 0 ${2 * rx},0a${rx},${ry} 0 1 0 ${-2 * rx},0`
}
