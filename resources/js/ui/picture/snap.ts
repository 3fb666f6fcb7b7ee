import type { Box, Size } from './area'

export type Guide = { x: number } | { y: number }

/** How far a moved box has to go to stand level with another or with the picture, where that is near, and lines that show it. */
export function snapped(box: Box, others: Box[], picture: Size, near: number): { dx: number; dy: number; guides: Guide[] } {
  const lines = (of: Box, across: boolean) =>
    across ? [of.left, (of.left + of.right) / 2, of.right] : [of.top, (of.top + of.bottom) / 2, of.bottom]
  const whole: Box = { left: 0, top: 0, right: picture.width, bottom: picture.height }
  const best = (across: boolean) => {
    let found: { by: number; at: number } | null = null
    for (const other of [...others, whole])
      for (const at of lines(other, across))
        for (const own of lines(box, across))
          if (Math.abs(at - own) <= near && Math.abs(at - own) < Math.abs(found?.by ?? Number.POSITIVE_INFINITY))
            found = { by: at - own, at }
    return found
  }
  const [x, y] = [best(true), best(false)]
  return { dx: x?.by ?? 0, dy: y?.by ?? 0, guides: [...(x ? [{ x: x.at }] : []), ...(y ? [{ y: y.at }] : [])] }
}

export type Lining = 'left' | 'middle' | 'right' | 'top' | 'centre' | 'bottom' | 'across' | 'down'

/** How far each of several boxes has to go to stand in line, or as far from one another. */
export function lined(boxes: Box[], how: Lining): { dx: number; dy: number }[] {
  const [left, right] = [Math.min(...boxes.map((box) => box.left)), Math.max(...boxes.map((box) => box.right))]
  const [top, bottom] = [Math.min(...boxes.map((box) => box.top)), Math.max(...boxes.map((box) => box.bottom))]
  if (how === 'across' || how === 'down') return spread(boxes, how === 'across')
  return boxes.map((box) => ({
    dx:
      how === 'left'
        ? left - box.left
        : how === 'right'
          ? right - box.right
          : how === 'middle'
            ? (left + right - box.left - box.right) / 2
            : 0,
    dy:
      how === 'top'
        ? top - box.top
        : how === 'bottom'
          ? bottom - box.bottom
          : how === 'centre'
            ? (top + bottom - box.top - box.bottom) / 2
            : 0,
  }))
}

/** The first and the last stay; between the others is as much room everywhere. */
function spread(boxes: Box[], across: boolean): { dx: number; dy: number }[] {
  const start = (box: Box) => (across ? box.left : box.top)
  const end = (box: Box) => (across ? box.right : box.bottom)
  const order = boxes.map((_, i) => i).sort((a, b) => start(boxes[a] as Box) - start(boxes[b] as Box))
  const taken = boxes.reduce((sum, box) => sum + end(box) - start(box), 0)
  const from = Math.min(...boxes.map(start))
  const room = (Math.max(...boxes.map(end)) - from - taken) / Math.max(1, boxes.length - 1)
  const moves = boxes.map(() => ({ dx: 0, dy: 0 }))
  let at = from
  for (const i of order) {
    const box = boxes[i] as Box
    moves[i] = across ? { dx: at - start(box), dy: 0 } : { dx: 0, dy: at - start(box) }
    at += end(box) - start(box) + room
  }
  return moves
}
