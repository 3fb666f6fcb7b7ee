import { type PointerEvent, type RefObject, useRef, useState } from 'react'
import { between, reshaped, type Size, type Spot, upright } from './area'
import { placeOf } from './picture'
import { type Guide, snapped } from './snap'
import { around, type Form, formBox, formShifted, isArea, type Thing, type Tool, within } from './things'

type Props = {
  stage: RefObject<SVGSVGElement | null>
  size: Size
  unit: number
  things: Thing[]
  tool: Tool
  selected: string[]
  onSelect: (ids: string[]) => void
  onForms: (forms: Map<string, Form>, place: string) => void
  onAdd: (form: Form) => void
}

type Gesture =
  | { what: 'move'; from: Spot; ids: string[]; moved: boolean; single: string }
  | { what: 'handle'; id: string; handle: number }
  | { what: 'draw'; from: Spot; to: Spot }
  | { what: 'frame'; from: Spot; to: Spot; more: boolean }
  | { what: 'pan'; x: number; y: number; left: number; top: number; frame: Element }

/** So near, in pixels of the screen, a side takes hold of another. */
const NEAR = 6
/** Less than this is a click, not a drag. */
const LEAST = 4

/** What the pointer does on the picture: take, move, reshape, draw, frame. Nothing is told before it ends. */
export function useGesture({ stage, size, unit, things, tool, selected, onSelect, onForms, onAdd }: Props) {
  const gesture = useRef<Gesture | null>(null)
  const [live, setLive] = useState<Map<string, Form>>(new Map())
  const [guides, setGuides] = useState<Guide[]>([])
  const [frame, setFrame] = useState<{ from: Spot; to: Spot } | null>(null)
  const [made, setMade] = useState<Form | null>(null)
  const [corners, setCorners] = useState<Spot[]>([])
  const at = (event: { clientX: number; clientY: number }) => placeOf(stage.current, size, event)
  const find = (id: string | undefined) => things.find((one) => one.id === id)

  const closePolygon = (spots: Spot[]) => {
    setCorners([])
    if (spots.length >= 3) onAdd({ shape: 'polygon', n: spots.flatMap(({ x, y }) => [x, y]) })
  }

  const begin = (event: PointerEvent<SVGSVGElement>, panning: boolean) => {
    const place = at(event)
    const scrolled = stage.current?.closest('[data-scroll]')
    if ((event.button === 1 || panning) && scrolled) {
      event.preventDefault()
      gesture.current = {
        what: 'pan',
        x: event.clientX,
        y: event.clientY,
        left: scrolled.scrollLeft,
        top: scrolled.scrollTop,
        frame: scrolled,
      }
      event.currentTarget.setPointerCapture(event.pointerId)
      return
    }
    if (event.button !== 0) return
    const element = event.target instanceof Element ? event.target : null
    const handle = element?.closest<SVGElement>('[data-handle]')
    const thing = find(element?.closest<SVGElement>('[data-thing]')?.dataset.thing)
    event.currentTarget.setPointerCapture(event.pointerId)
    if (thing && handle) {
      if (!selected.includes(thing.id)) onSelect([thing.id])
      gesture.current = { what: 'handle', id: thing.id, handle: Number(handle.dataset.handle) }
    } else if (tool === 'polygon') {
      const [first] = corners
      if (first && corners.length > 2 && Math.hypot(place.x - first.x, place.y - first.y) < 10 * unit) closePolygon(corners)
      else setCorners([...corners, place])
    } else if (tool !== 'select') {
      gesture.current = { what: 'draw', from: place, to: place }
    } else if (thing) {
      const more = event.shiftKey || event.ctrlKey || event.metaKey
      const ids = more
        ? selected.includes(thing.id)
          ? selected.filter((id) => id !== thing.id)
          : [...selected, thing.id]
        : selected.includes(thing.id)
          ? selected
          : [thing.id]
      onSelect(ids)
      gesture.current = { what: 'move', from: place, ids, moved: false, single: more ? '' : thing.id }
    } else gesture.current = { what: 'frame', from: place, to: place, more: event.shiftKey }
  }

  const move = (event: PointerEvent<SVGSVGElement>) => {
    const now = gesture.current
    if (!now) return
    const place = at(event)
    if (now.what === 'pan') {
      now.frame.scrollLeft = now.left - (event.clientX - now.x)
      now.frame.scrollTop = now.top - (event.clientY - now.y)
    } else if (now.what === 'move') {
      if (!now.moved && Math.hypot(place.x - now.from.x, place.y - now.from.y) < LEAST * unit) return
      now.moved = true
      const moved = things.filter((one) => now.ids.includes(one.id))
      if (moved.length === 0) return
      const box = around(moved.map((one) => formBox(one.form)))
      const [dx, dy] = within(box, size, place.x - now.from.x, place.y - now.from.y)
      const others = things.filter((one) => !now.ids.includes(one.id)).map((one) => formBox(one.form))
      const there = { left: box.left + dx, right: box.right + dx, top: box.top + dy, bottom: box.bottom + dy }
      const snap = event.altKey ? { dx: 0, dy: 0, guides: [] } : snapped(there, others, size, NEAR * unit)
      const [byX, byY] = within(box, size, dx + snap.dx, dy + snap.dy)
      setGuides(snap.guides)
      setLive(new Map(moved.map((one) => [one.id, formShifted(one.form, Math.round(byX), Math.round(byY))])))
    } else if (now.what === 'handle') {
      const thing = find(now.id)
      if (!thing) return
      const form: Form = isArea(thing.form)
        ? { shape: thing.form.shape, n: reshaped(thing.form.shape, thing.form.n, now.handle, place) }
        : { at: place, box: thing.form.box ?? thing.form.at }
      setLive(new Map([[now.id, form]]))
    } else if (now.what === 'draw') {
      now.to = place
      setMade(drawnBetween(tool, now.from, place, unit))
    } else {
      now.to = place
      setFrame({ from: now.from, to: place })
    }
  }

  const end = () => {
    const now = gesture.current
    gesture.current = null
    setGuides([])
    setFrame(null)
    setMade(null)
    setLive(new Map())
    if (!now) return
    if (now.what === 'move' && now.moved && live.size > 0) onForms(live, '')
    else if (now.what === 'move' && now.single !== '') onSelect([now.single])
    else if (now.what === 'handle' && live.size > 0)
      onForms(new Map([...live].map(([id, form]) => [id, isArea(form) ? { ...form, n: upright(form.shape, form.n) } : form])), '')
    else if (now.what === 'draw') {
      const form = drawnBetween(tool, now.from, now.to, unit)
      if (form) onAdd(form)
    } else if (now.what === 'frame') {
      const box = {
        left: Math.min(now.from.x, now.to.x),
        right: Math.max(now.from.x, now.to.x),
        top: Math.min(now.from.y, now.to.y),
        bottom: Math.max(now.from.y, now.to.y),
      }
      const inside = things.filter(({ form }) => {
        const own = formBox(form)
        return own.left >= box.left && own.right <= box.right && own.top >= box.top && own.bottom <= box.bottom
      })
      onSelect([...(now.more ? selected : []), ...inside.map((one) => one.id)].filter((id, i, all) => all.indexOf(id) === i))
    }
  }

  return {
    live,
    guides,
    frame,
    made,
    corners,
    setCorners,
    closePolygon,
    on: { begin, move, end },
    cancel: () => {
      gesture.current = null
      setLive(new Map())
      setCorners([])
      setGuides([])
      setFrame(null)
      setMade(null)
    },
  }
}

function drawnBetween(tool: Tool, from: Spot, to: Spot, unit: number): Form | null {
  const far = Math.hypot(to.x - from.x, to.y - from.y) >= LEAST * unit
  if (tool === 'target') return { at: from, box: far ? to : null }
  if (tool === 'select' || tool === 'polygon' || !far) return null
  return { shape: tool, n: between(tool, from, to).map(Math.round) }
}
