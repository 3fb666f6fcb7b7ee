import { type Box, boxOf, fresh, middle, type ShapeName, type Size, type Spot, scaled, shifted } from './area'

/** The form of something on a picture: an area, or a target with the place its box stands in. */
export type Form = { shape: ShapeName; n: number[] } | { at: Spot; box: Spot | null }
export type Thing = { id: string; number: number; name: string; tone: 'right' | 'partly' | 'plain'; form: Form }
export type Tool = 'select' | ShapeName | 'target'

export const isArea = (form: Form): form is { shape: ShapeName; n: number[] } => 'shape' in form

export function formBox(form: Form): Box {
  if (isArea(form)) return boxOf(form.shape, form.n)
  const box = form.box ?? form.at
  return {
    left: Math.min(form.at.x, box.x),
    right: Math.max(form.at.x, box.x),
    top: Math.min(form.at.y, box.y),
    bottom: Math.max(form.at.y, box.y),
  }
}

export function formShifted(form: Form, dx: number, dy: number): Form {
  const to = (spot: Spot): Spot => ({ x: spot.x + dx, y: spot.y + dy })
  return isArea(form)
    ? { shape: form.shape, n: shifted(form.shape, form.n, dx, dy) }
    : { at: to(form.at), box: form.box === null ? null : to(form.box) }
}

export function formScaled(form: Form, byX: number, byY: number): Form {
  const to = (spot: Spot): Spot => ({ x: Math.round(spot.x * byX), y: Math.round(spot.y * byY) })
  return isArea(form)
    ? { shape: form.shape, n: scaled(form.shape, form.n, byX, byY).map(Math.round) }
    : { at: to(form.at), box: form.box === null ? null : to(form.box) }
}

/** As far as it may go without any of it leaving the picture; what lies outside already stays where it is. */
export function within(box: Box, { width, height }: Size, dx: number, dy: number): [number, number] {
  const held = (by: number, from: number, to: number, most: number) => Math.min(Math.max(by, Math.min(0, -from)), Math.max(0, most - to))
  return [held(dx, box.left, box.right, width), held(dy, box.top, box.bottom, height)]
}

export const around = (boxes: Box[]): Box => ({
  left: Math.min(...boxes.map((box) => box.left)),
  right: Math.max(...boxes.map((box) => box.right)),
  top: Math.min(...boxes.map((box) => box.top)),
  bottom: Math.max(...boxes.map((box) => box.bottom)),
})

export function formFresh(tool: Exclude<Tool, 'select'>, size: Size, aside: number): Form {
  if (tool !== 'target') return { shape: tool, n: fresh(tool, size, aside) }
  const step = (aside % 5) * 0.04
  return { at: { x: Math.round(size.width * (0.5 + step)), y: Math.round(size.height * (0.5 + step)) }, box: null }
}

/** Where the number of each thing stands: in its middle, or on its upper edge where another number stands there already. */
export function marksOf(things: Thing[], unit: number): Map<string, Spot> {
  const marks = new Map<string, Spot>()
  for (const { id, form } of things) {
    if (!isArea(form)) {
      marks.set(id, form.box ?? form.at)
      continue
    }
    const centre = middle(form.shape, form.n)
    const isTaken = [...marks.values()].some((other) => Math.hypot(other.x - centre.x, other.y - centre.y) < 20 * unit)
    marks.set(id, isTaken ? { x: centre.x, y: boxOf(form.shape, form.n).top } : centre)
  }
  return marks
}
