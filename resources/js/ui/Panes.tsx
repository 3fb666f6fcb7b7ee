import { Fragment, type ReactNode, useRef } from 'react'
import { Group, Panel, Separator } from 'react-resizable-panels'
import { isNumbers, storedValue, storeValue } from '@/lib/storage'

export type Pane = { id: string; label: string; body: ReactNode; size: number; min: number; max: number }
type Props = { name: string; panes: Pane[]; last: ReactNode; borderName: (pane: string) => string }

/**
 * Panes beside one another with borders that move: by dragging, or by arrow keys on the border. The last pane takes what is
 * left. Widths are remembered under `name`, in CSS pixels.
 */
export function Panes({ name, panes, last, borderName }: Props) {
  const key = `panes:${name}`
  const group = useRef<HTMLDivElement>(null)
  const sizes = storedValue(key, isNumbers, {})
  return (
    <Group
      orientation="horizontal"
      className="h-full min-h-0"
      elementRef={group}
      onLayoutChanged={(layout, { isUserInteraction }) => {
        const width = group.current?.clientWidth ?? 0
        if (!isUserInteraction || width === 0) return
        storeValue(key, Object.fromEntries(panes.map(({ id }) => [id, Math.round(((layout[id] ?? 0) * width) / 100)])))
      }}
    >
      {panes.map(({ id, label, body, size, min, max }) => (
        <Fragment key={id}>
          <Panel
            id={id}
            minSize={min}
            maxSize={max}
            defaultSize={Math.min(max, Math.max(min, sizes[id] ?? size))}
            groupResizeBehavior="preserve-pixel-size"
          >
            <section aria-label={label} data-pane="" tabIndex={-1} className="h-full min-h-0 min-w-0 outline-none">
              {body}
            </section>
          </Panel>
          <Separator
            aria-label={borderName(label)}
            className="-mx-1 relative z-10 w-2 flex-none cursor-col-resize touch-none before:absolute before:inset-y-0 before:left-1/2 before:w-px before:bg-hairline hover:before:w-0.5 hover:before:bg-accent focus-visible:before:w-0.5 focus-visible:before:bg-accent"
          />
        </Fragment>
      ))}
      <Panel id="last" minSize={240}>
        <div data-pane="" tabIndex={-1} className="h-full min-h-0 min-w-0 outline-none">
          {last}
        </div>
      </Panel>
    </Group>
  )
}
