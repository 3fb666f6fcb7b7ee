import type { TreeNode } from '@/api/question'

export type LabelShown = { id: string; body: TreeNode[]; uses: number | null }
export type TargetShown = { id: string; label: string; at: [string, string]; box: [string, string] | null }
export type Placed = Record<string, string>

export const used = (placed: Placed, label: string): number => Object.values(placed).filter((one) => one === label).length

export function withoutTarget(placed: Placed, target: string): Placed {
  const { [target]: _, ...rest } = placed
  return rest
}

/** A label put at a target; where it may not be used once more it leaves the target it lay at. */
export function withLabel(placed: Placed, target: string, label: LabelShown): Placed {
  const rest = withoutTarget(placed, target)
  if (label.uses === null || used(rest, label.id) < label.uses) return { ...rest, [target]: label.id }
  const from = Object.keys(rest).find((one) => rest[one] === label.id)
  return { ...(from === undefined ? rest : withoutTarget(rest, from)), [target]: label.id }
}

export const WIDTH = 136
export const HEIGHT = 38
/** Less than this, in pixels, leaves no room for labels on the picture. */
const LEAST = 440

type Laid = { left: number; top: number }

/** Where the boxes of the targets lie on the picture, in pixels; null where they would cover one another or half the picture. */
export function laid(targets: TargetShown[], width: number, height: number, unit: number): Laid[] | null {
  if (width < LEAST || targets.length * WIDTH * HEIGHT * 2.5 > width * height) return null
  const boxes = targets.map(({ at, box }) => {
    const [x, y] = (box ?? at).map(Number) as [number, number]
    const within = (value: number, most: number) => Math.min(Math.max(value, 0), Math.max(0, most))
    return { left: within(x / unit - WIDTH / 2, width - WIDTH), top: within(y / unit - HEIGHT / 2, height - HEIGHT) }
  })
  const meet = boxes.some((one, i) =>
    boxes.some((other, j) => j > i && Math.abs(one.left - other.left) < WIDTH + 4 && Math.abs(one.top - other.top) < HEIGHT + 4),
  )
  return meet ? null : boxes
}
