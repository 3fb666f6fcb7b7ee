import { type KeyboardEvent, type ReactNode, useRef, useState } from 'react'
import { number } from '@/lib/format'
import { shownItems } from './shownItems'
import { Twisty } from './Twisty'

export type TreeItem = { id: string; parent: string | null; name: string; count?: number }
type Props = {
  label: string
  items: TreeItem[]
  ticked: string[]
  onTick: (id: string) => void
  /** What can be done with an item, drawn at its end. */
  more?: (item: TreeItem, tabIndex: 0 | -1) => ReactNode
  /** Remembered under this name. */
  name: string
}

/** A tree whose items can be ticked, several at once. Arrow keys walk, open and close; Space or Enter ticks. */
export function Tree({ label, items, ticked, onTick, more, name }: Props) {
  const [closed, setClosed] = useState<string[]>(() => JSON.parse(localStorage.getItem(`tree:${name}`) ?? '[]'))
  const [at, setAt] = useState<string | null>(null)
  const root = useRef<HTMLDivElement>(null)
  const shut = (id: string, on: boolean) => {
    const next = on ? [...closed, id] : closed.filter((one) => one !== id)
    setClosed(next)
    localStorage.setItem(`tree:${name}`, JSON.stringify(next))
  }
  const { shown } = shownItems(items, closed)
  const current = shown.some(({ item }) => item.id === at) ? at : (shown[0]?.item.id ?? null)
  const go = (id: string | undefined) => {
    if (id === undefined) return
    setAt(id)
    root.current?.querySelector<HTMLElement>(`[data-item="${id}"]`)?.focus()
  }
  const keys = (event: KeyboardEvent, i: number) => {
    if (event.target !== event.currentTarget) return
    const { item, branch, level } = shown[i] as (typeof shown)[number]
    const open = branch && !closed.includes(item.id)
    const next = step(event.key, i, open)
    if (next !== null) go(shown[next]?.item.id)
    else if (event.key === 'ArrowRight' && branch) shut(item.id, false)
    else if (event.key === 'ArrowLeft' && open) shut(item.id, true)
    else if (event.key === 'ArrowLeft' && level > 1) go(item.parent ?? undefined)
    else if (event.key === 'Enter' || event.key === ' ') onTick(item.id)
    else return
    event.preventDefault()
  }
  /** Where a key leads, counted in shown items. */
  const step = (key: string, i: number, open: boolean): number | null =>
    key === 'ArrowDown' || (key === 'ArrowRight' && open)
      ? i + 1
      : key === 'ArrowUp'
        ? i - 1
        : key === 'Home'
          ? 0
          : key === 'End'
            ? shown.length - 1
            : null
  return (
    <div ref={root} role="tree" aria-label={label} aria-multiselectable="true">
      {shown.map(({ item, level, branch }, i) => {
        const on = ticked.includes(item.id)
        return (
          <div
            key={item.id}
            data-item={item.id}
            role="treeitem"
            aria-level={level}
            aria-selected={on}
            aria-expanded={branch ? !closed.includes(item.id) : undefined}
            aria-label={item.count === undefined ? item.name : `${item.name}, ${number(item.count)}`}
            tabIndex={item.id === current ? 0 : -1}
            onFocus={() => setAt(item.id)}
            onKeyDown={(event) => keys(event, i)}
            className={`-outline-offset-2 group flex min-h-7 items-center gap-1.5 border-l-3 pr-2 ${on ? 'border-accent bg-paper font-semibold' : 'border-transparent hover:bg-paper'}`}
            style={{ paddingLeft: 2 + (level - 1) * 16 }}
          >
            <Twisty branch={branch} closed={closed.includes(item.id)} onToggle={() => shut(item.id, !closed.includes(item.id))} />
            {/* biome-ignore lint/a11y/noStaticElementInteractions lint/a11y/useKeyWithClickEvents: the keys are on the item */}
            <span className="flex min-w-0 flex-1 cursor-pointer items-center gap-2" onClick={() => onTick(item.id)}>
              <Tick on={on} />
              <span className="min-w-0 flex-1 truncate">{item.name}</span>{' '}
              {item.count === undefined ? null : <span className="text-caption text-quiet">{number(item.count)}</span>}
            </span>
            {more?.(item, item.id === current ? 0 : -1)}
          </div>
        )
      })}
    </div>
  )
}

/** A box as it looks ticked or not; what it belongs to says it in words. */
export function Tick({ on }: { on: boolean }) {
  return (
    <span
      aria-hidden="true"
      className={`flex size-3.5 flex-none items-center justify-center rounded-[3px] border text-[10px] leading-none ${on ? 'border-accent bg-accent text-on-accent' : 'border-edge bg-paper'}`}
    >
      {on ? '✓' : ''}
    </span>
  )
}
