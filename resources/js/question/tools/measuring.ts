/** A ruler or protractor that lies over a question: where its middle is, how it is turned, and what it is set to. */
export type Laid = { x: number; y: number; turn: number; mark: number }

/** CSS pixels of a centimetre (CSS Values and Units 4, 6.2). */
export const CENTIMETRE = 96 / 2.54

/** The angle from one point to another in whole degrees, up being 90; from 0 to 359. */
export function angleTo(from: { x: number; y: number }, to: { x: number; y: number }): number {
  const degrees = Math.round((Math.atan2(from.y - to.y, to.x - from.x) * 180) / Math.PI)
  return (degrees + 360) % 360
}

/** A turn kept from −179 to 180. */
export const turned = (degrees: number): number => {
  const around = ((degrees % 360) + 360) % 360
  return around > 180 ? around - 360 : around
}

/** How far a pointer is along a thing that is turned, from its middle. */
export const along = (laid: Laid, at: { x: number; y: number }): number => {
  const turn = (laid.turn * Math.PI) / 180
  return (at.x - laid.x) * Math.cos(turn) - (at.y - laid.y) * Math.sin(turn)
}

/** What a key does to it; null where it does nothing. */
export function byKey(laid: Laid, key: string, shift: boolean, most: number, step: number): Laid | null {
  const by = shift ? 1 : 8
  const moves: Record<string, [number, number]> = {
    ArrowLeft: [-by, 0],
    ArrowRight: [by, 0],
    ArrowUp: [0, -by],
    ArrowDown: [0, by],
  }
  const move = moves[key]
  if (move) return { ...laid, x: laid.x + move[0], y: laid.y + move[1] }
  if (key === ',' || key === '<') return { ...laid, turn: turned(laid.turn + (shift ? 1 : 5)) }
  if (key === '.' || key === '>') return { ...laid, turn: turned(laid.turn - (shift ? 1 : 5)) }
  if (key === 'PageUp') return { ...laid, mark: Math.min(most, laid.mark + (shift ? step : 5 * step)) }
  if (key === 'PageDown') return { ...laid, mark: Math.max(0, laid.mark - (shift ? step : 5 * step)) }
  return null
}
