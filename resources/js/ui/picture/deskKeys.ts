import type { KeyboardEvent } from 'react'
import type { Thing, Tool } from './things'
import type { useGesture } from './useGesture'

type Desk = {
  things: Thing[]
  selected: string[]
  tool: Tool
  gesture: ReturnType<typeof useGesture>
  focus: (id: string) => void
  /** Moves what is selected. */
  by: (dx: number, dy: number) => void
  setTool: (tool: Tool) => void
  setSpace: (held: boolean) => void
  setNaming: (id: string) => void
  onSelect: (ids: string[]) => void
  onRemove: (ids: string[]) => void
  onDuplicate: (ids: string[]) => void
}

/** Does what a key means on a picture that is drawn on; false where it means nothing. */
export function deskKey(event: KeyboardEvent, desk: Desk): boolean {
  if (desk.gesture.corners.length > 0) return polygonKey(event.key, desk.gesture)
  const here = event.target instanceof SVGElement ? event.target.closest<SVGElement>('[data-thing]')?.dataset.thing : undefined
  if (event.key === ' ' && here === undefined) {
    desk.setSpace(true)
    return true
  }
  if (event.key === 'Escape' && (desk.tool !== 'select' || desk.selected.length > 0)) {
    desk.setTool('select')
    desk.gesture.cancel()
    desk.onSelect([])
    return true
  }
  return here !== undefined && (moves(event, here, desk) || goes(event, here, desk) || changes(event, here, desk))
}

function polygonKey(key: string, { corners, closePolygon, setCorners, cancel }: Desk['gesture']): boolean {
  if (key === 'Enter') closePolygon(corners)
  else if (key === 'Backspace') setCorners(corners.slice(0, -1))
  else if (key === 'Escape') cancel()
  else return false
  return true
}

function moves(event: KeyboardEvent, here: string, { selected, by, onSelect }: Desk): boolean {
  const step = event.shiftKey ? 10 : 1
  const arrows: Record<string, [number, number]> = {
    ArrowLeft: [-step, 0],
    ArrowRight: [step, 0],
    ArrowUp: [0, -step],
    ArrowDown: [0, step],
  }
  const arrow = arrows[event.key]
  if (!arrow || event.altKey) return false
  if (selected.includes(here)) by(...arrow)
  else onSelect([here])
  return true
}

function goes(event: KeyboardEvent, here: string, { things, focus, onSelect }: Desk): boolean {
  const at = things.findIndex((one) => one.id === here)
  const next = { PageDown: at + 1, PageUp: at - 1, Home: 0, End: things.length - 1 }[event.key]
  if (next === undefined) return false
  const to = things[Math.min(Math.max(next, 0), things.length - 1)]
  if (to) {
    focus(to.id) // at once, so that the next key is this thing's
    onSelect([to.id])
    requestAnimationFrame(() => focus(to.id)) // what is selected may be drawn in another place, and lose it
  }
  return true
}

function changes(event: KeyboardEvent, here: string, desk: Desk): boolean {
  const { things, selected } = desk
  const meant = selected.includes(here) ? selected : [here]
  if (event.key === 'Enter' || event.key === ' ')
    desk.onSelect(selected.includes(here) ? selected.filter((id) => id !== here) : event.shiftKey ? [...selected, here] : [here])
  else if (event.key === 'Delete' || event.key === 'Backspace') {
    desk.onRemove(meant)
    const at = things.findIndex((one) => one.id === here)
    const after = things[at + 1] ?? things[at - 1]
    if (after) requestAnimationFrame(() => desk.focus(after.id))
  } else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'd') desk.onDuplicate(meant)
  else if (event.key === 'F2') desk.setNaming(here)
  else return false
  return true
}
