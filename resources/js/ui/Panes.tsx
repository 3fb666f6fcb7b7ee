import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef, useState } from 'react'

export type Pane = { id: string; label: string; body: ReactNode; size: number; min: number; max: number }
const STEP = 16

/**
 * Panes beside one another with borders that move: by dragging, or by arrow keys on the border. The last pane takes what is
 * left. Widths are remembered under `name`.
 */
export function Panes({
  name,
  panes,
  last,
  borderName,
}: {
  name: string
  panes: Pane[]
  last: ReactNode
  borderName: (pane: string) => string
}) {
  const [sizes, setSizes] = useState<Record<string, number>>(() => read(name))
  const start = useRef<{ id: string; x: number; size: number } | null>(null)
  const size = (pane: Pane) => Math.min(pane.max, Math.max(pane.min, sizes[pane.id] ?? pane.size))
  const set = (pane: Pane, to: number) => {
    const next = { ...sizes, [pane.id]: Math.min(pane.max, Math.max(pane.min, Math.round(to))) }
    setSizes(next)
    localStorage.setItem(`panes:${name}`, JSON.stringify(next))
  }
  const keys = (pane: Pane) => (event: KeyboardEvent) => {
    const to = { ArrowLeft: size(pane) - STEP, ArrowRight: size(pane) + STEP, Home: pane.min, End: pane.max }[event.key]
    if (to !== undefined) {
      event.preventDefault()
      set(pane, to)
    }
  }
  const drag = (pane: Pane) => (event: PointerEvent<HTMLDivElement>) => {
    if (event.type === 'pointerdown') {
      event.currentTarget.setPointerCapture(event.pointerId)
      start.current = { id: pane.id, x: event.clientX, size: size(pane) }
    } else if (event.type === 'pointermove' && start.current?.id === pane.id)
      set(pane, start.current.size + event.clientX - start.current.x)
    else if (event.type === 'pointerup') start.current = null
  }
  return (
    <div className="flex h-full min-h-0">
      {panes.map((pane) => (
        <div key={pane.id} className="flex min-h-0 flex-none" style={{ width: size(pane) }}>
          <section aria-label={pane.label} data-pane="" tabIndex={-1} className="min-h-0 min-w-0 flex-1 outline-none">
            {pane.body}
          </section>
          {/* biome-ignore lint/a11y/useSemanticElements: a movable border is a separator with a value (WAI-ARIA, window splitter) */}
          <div
            role="separator"
            aria-orientation="vertical"
            aria-label={borderName(pane.label)}
            aria-valuenow={size(pane)}
            aria-valuemin={pane.min}
            aria-valuemax={pane.max}
            tabIndex={0}
            onKeyDown={keys(pane)}
            onPointerDown={drag(pane)}
            onPointerMove={drag(pane)}
            onPointerUp={drag(pane)}
            className="-mx-1 relative z-10 w-2 flex-none cursor-col-resize touch-none before:absolute before:inset-y-0 before:left-1/2 before:w-px before:bg-hairline hover:before:w-0.5 hover:before:bg-accent focus-visible:before:w-0.5 focus-visible:before:bg-accent"
          />
        </div>
      ))}
      <div data-pane="" tabIndex={-1} className="min-h-0 min-w-0 flex-1 outline-none">
        {last}
      </div>
    </div>
  )
}

function read(name: string): Record<string, number> {
  try {
    return JSON.parse(localStorage.getItem(`panes:${name}`) ?? '{}')
  } catch {
    return {}
  }
}
