import { useVirtualizer } from '@tanstack/react-virtual'
import { type KeyboardEvent, type ReactNode, useEffect, useId, useLayoutEffect, useRef, useState } from 'react'
import { both, type Dragged, dragSource, dropTarget } from '@/lib/drag'
import { useAhead } from './useAhead'

type Props<Row> = {
  label: string
  rows: Row[]
  /** How many there are in all, also those not loaded yet; undefined while nobody has counted. */
  all: number | undefined
  height: number
  id: (row: Row) => string
  active: string | undefined
  selected: string[]
  /** from: the row where a run of selected ones begins, as Shift was held; undefined for the first. */
  onActive: (row: Row, extend: boolean, from: string | undefined) => void
  onSelect: (row: Row, extend: boolean, from: string | undefined) => void
  onOpen: (row: Row) => void
  onEnd: () => void
  /** What a row carries when it is dragged out of the list. */
  drag?: (row: Row) => Dragged
  /** Puts a row before another, or last: by drag, and by Alt with the arrows. */
  onMove?: (row: Row, before: Row | null) => void
  draw: (row: Row, state: { active: boolean; selected: boolean }) => ReactNode
}

/**
 * A list of any length: only what is in sight is drawn. Arrow keys walk, Space selects, with Shift a run; Enter opens.
 * The focus stays on the list, the row is told by aria-activedescendant (WAI-ARIA, listbox).
 */
export function VirtualRows<Row>(props: Props<Row>) {
  const { label, rows, all, height, id, active, selected, onActive, onSelect, onOpen, onEnd, drag, onMove, draw } = props
  /** The gap a drop would fill: before this row, or behind the last one. */
  const [gap, setGap] = useState<number | null>(null)
  const box = useRef<HTMLDivElement>(null)
  const virtual = useVirtualizer({ count: rows.length, getScrollElement: () => box.current, estimateSize: () => height, overscan: 8 })
  useLayoutEffect(() => {
    if (height > 0) virtual.measure() // it keeps the heights it has measured
  }, [height, virtual])
  const items = virtual.getVirtualItems()
  const at = rows.findIndex((row) => id(row) === active)
  const ahead = useAhead(active)
  const activate = (row: Row, extend: boolean) => {
    const from = ahead.latest()
    ahead.ask(id(row))
    onActive(row, extend, from)
  }
  const bottom = items.at(-1)?.index ?? 0
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked for when the last drawn row nears the end
  useEffect(() => {
    if (rows.length > 0 && (all === undefined || rows.length < all) && bottom >= rows.length - 10) onEnd()
  }, [bottom, rows.length, all])
  // biome-ignore lint/correctness/useExhaustiveDependencies: only when another row becomes the active one
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at, { align: 'auto' })
  }, [active])
  const list = useId()
  /** A row that is dragged among the others, with what it carries out of the list. */
  const moved = (row: Row, index: number, move: (row: Row, before: Row | null) => void) =>
    both(
      dragSource({ data: { type: 'row', ...drag?.(row), list, row: id(row) } }),
      dropTarget({
        takes: (dragged) => dragged.list === list,
        onOver: ({ y }) => setGap(y > 0.5 ? index + 1 : index),
        onLeave: () => setGap(null),
        onDrop: (dragged, { y }) => {
          const from = rows.find((one) => id(one) === dragged.row)
          const before = rows[y > 0.5 ? index + 1 : index] ?? null
          if (from && before !== from) move(from, before)
        },
      }),
    )
  const keys = (event: KeyboardEvent) => {
    const at = rows.findIndex((row) => id(row) === ahead.latest())
    const page = Math.max(1, Math.floor((box.current?.clientHeight ?? 0) / height) - 1)
    const to = { ArrowDown: at + 1, ArrowUp: at - 1, PageDown: at + page, PageUp: at - page, Home: 0, End: rows.length - 1 }[event.key]
    const row = rows[at]
    if (event.altKey && onMove && row && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault()
      const to = event.key === 'ArrowUp' ? at - 1 : at + 2
      if (to >= 0 && to <= rows.length) onMove(row, rows[to] ?? null)
      return
    }
    if (to !== undefined) {
      event.preventDefault()
      const target = rows[Math.max(0, Math.min(rows.length - 1, to))]
      if (target) activate(target, event.shiftKey)
    } else if (row && event.key === ' ') {
      event.preventDefault()
      onSelect(row, event.shiftKey, ahead.latest())
    } else if (row && event.key === 'Enter') {
      event.preventDefault()
      onOpen(row)
    }
  }
  return (
    <div
      ref={box}
      role="listbox"
      aria-label={label}
      aria-multiselectable="true"
      tabIndex={0}
      aria-activedescendant={at >= 0 ? `row-${active}` : undefined}
      onKeyDown={keys}
      className="-outline-offset-2 h-full overflow-y-auto"
    >
      <div role="presentation" className="relative" style={{ height: virtual.getTotalSize() }}>
        {items.map((item) => {
          const row = rows[item.index] as Row
          const on = selected.includes(id(row))
          return (
            // biome-ignore lint/a11y/useKeyWithClickEvents lint/a11y/useFocusableInteractive: the keys and the focus are the list's
            <div
              key={item.key}
              id={`row-${id(row)}`}
              role="option"
              aria-selected={on}
              aria-setsize={all ?? -1}
              aria-posinset={item.index + 1}
              {...(onMove ? { ref: moved(row, item.index, onMove) } : drag ? { ref: dragSource({ data: drag(row) }) } : {})}
              className={`absolute inset-x-0 cursor-pointer ${gap === item.index ? 'shadow-[0_-2px_0_var(--color-accent)]' : gap === item.index + 1 && gap === rows.length ? 'shadow-[inset_0_-2px_0_var(--color-accent)]' : ''}`}
              style={{ height: item.size, transform: `translateY(${item.start}px)` }}
              onClick={(event) => {
                if ((event.target as HTMLElement).closest('[data-tick]')) onSelect(row, event.shiftKey, ahead.latest())
                else if (event.ctrlKey || event.metaKey) onSelect(row, false, undefined)
                else activate(row, event.shiftKey)
              }}
              onDoubleClick={() => onOpen(row)}
            >
              {draw(row, { active: id(row) === active, selected: on })}
            </div>
          )
        })}
      </div>
    </div>
  )
}
