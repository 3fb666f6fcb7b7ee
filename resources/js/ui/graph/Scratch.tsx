import { createContext, type PointerEvent, useContext, useRef, useState } from 'react'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'

const words = texts.graph

/** Whether the question gives room for working: then one may sketch over its grids as well. */
export const RoomForWorking = createContext(false)

type Place = [number, number]

/** Strokes over a grid, which are not marked and not kept. */
export function useScratch(size: { width: number; height: number }) {
  const allowed = useContext(RoomForWorking)
  const [on, setOn] = useState(false)
  const [strokes, setStrokes] = useState<Place[][]>([])
  const drawing = useRef(false)
  const at = (event: PointerEvent<SVGSVGElement>): Place => {
    const box = event.currentTarget.getBoundingClientRect()
    const scale = box.width > 0 ? size.width / box.width : 1
    return [Math.round((event.clientX - box.left) * scale), Math.round((event.clientY - box.top) * scale)]
  }
  const buttons = allowed ? (
    <span className="flex gap-3 font-sans text-caption">
      <Button look="quiet" className="!min-h-7 !px-2" aria-pressed={on} onClick={() => setOn(!on)}>
        {words.sketch}
      </Button>
      {strokes.length > 0 ? (
        <Button look="quiet" className="!min-h-7 !px-0" onClick={() => setStrokes([])}>
          {words.wipe}
        </Button>
      ) : null}
    </span>
  ) : null
  const layer =
    strokes.length > 0 || on ? (
      <svg
        aria-hidden="true"
        viewBox={`0 0 ${size.width} ${size.height}`}
        className={`absolute inset-0 size-full ${on ? 'cursor-crosshair' : 'pointer-events-none'}`}
        style={{ touchAction: 'none' }}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId)
          drawing.current = true
          setStrokes([...strokes, [at(event)]])
        }}
        onPointerMove={(event) => {
          if (!drawing.current) return
          const place = at(event)
          setStrokes((now) => [...now.slice(0, -1), [...(now.at(-1) ?? []), place]])
        }}
        onPointerUp={() => {
          drawing.current = false
        }}
      >
        {strokes.map((stroke, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: strokes are only added and wiped away together
          <polyline key={i} points={stroke.map(([x, y]) => `${x},${y}`).join(' ')} fill="none" stroke="#7a5c9e" strokeWidth={2} />
        ))}
      </svg>
    ) : null
  return { buttons, layer }
}
