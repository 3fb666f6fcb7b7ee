import { type DragEvent, type KeyboardEvent, type ReactNode, useRef, useState } from 'react'
import { number } from '@/lib/format'
import { texts } from '@/messages'
import { shownItems } from '@/ui/shownItems'
import type { TreeItem } from '@/ui/Tree'
import { Twisty } from '@/ui/Twisty'
import { type Spot, spotsFor } from './spots'

const words = texts.order
type Props = {
  label: string
  items: TreeItem[]
  /** What stands at the end of a line. */
  more: (item: TreeItem, tabIndex: 0 | -1) => ReactNode
  held: string | null
  onHold: (id: string | null) => void
  /** Puts an item somewhere; not asked for places inside itself. */
  onPut: (id: string, spot: Spot) => void
  onRename: (item: TreeItem) => void
  onMerge: (item: TreeItem) => void
  onRemove: (item: TreeItem) => void
}

/** A tree that is put in order: by drag, by picking up and putting down, or by keys (WCAG 2.5.7). */
export function OrderTree({ label, items, more, held, onHold, onPut, onRename, onMerge, onRemove }: Props) {
  const [closed, setClosed] = useState<string[]>([])
  const [at, setAt] = useState<string | null>(null)
  // Apart from what is picked up: nothing may shift under the pointer while it drags.
  const [dragged, setDragged] = useState<string | null>(null)
  const [over, setOver] = useState<{ id: string; where: 'before' | 'inside' | 'after' } | null>(null)
  const root = useRef<HTMLDivElement>(null)
  const { shown, children } = shownItems(items, closed)
  const current = shown.some(({ item }) => item.id === at) ? at : (shown[0]?.item.id ?? null)
  const spots = spotsFor(items, held)
  const targets = spotsFor(items, dragged)
  const shut = (id: string, on: boolean) => setClosed(on ? [...closed, id] : closed.filter((one) => one !== id))
  const go = (id: string | null | undefined) => {
    if (!id) return
    setAt(id)
    root.current?.querySelector<HTMLElement>(`[data-item="${id}"]`)?.focus()
  }
  const put = (id: string, spot: Spot) => {
    onHold(null)
    onPut(id, spot)
  }
  const among = (item: TreeItem, by: -1 | 1) => {
    const siblings = children.get(item.parent ?? '') ?? []
    const i = siblings.findIndex((one) => one.id === item.id)
    const to = i + by
    if (to < 0 || to >= siblings.length) return
    // behind the next one is before the one after that
    onPut(item.id, { parent: item.parent, before: siblings[by < 0 ? to : to + 1]?.id ?? null })
  }
  const keys = (event: KeyboardEvent, i: number) => {
    if (event.target !== event.currentTarget) return
    const { item, branch, level } = shown[i] as (typeof shown)[number]
    const open = branch && !closed.includes(item.id)
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key
    if (event.altKey && (key === 'ArrowUp' || key === 'ArrowDown')) among(item, key === 'ArrowUp' ? -1 : 1)
    else if (event.altKey || event.ctrlKey || event.metaKey) return
    else if (key === 'ArrowDown' || (key === 'ArrowRight' && open)) go(shown[i + 1]?.item.id)
    else if (key === 'ArrowUp') go(shown[i - 1]?.item.id)
    else if (key === 'Home') go(shown[0]?.item.id)
    else if (key === 'End') go(shown.at(-1)?.item.id)
    else if (key === 'ArrowRight' && branch) shut(item.id, false)
    else if (key === 'ArrowLeft' && open) shut(item.id, true)
    else if (key === 'ArrowLeft' && level > 1) go(item.parent)
    else if (held && key === 'Enter' && spots.inside(item)) put(held, event.shiftKey ? spots.before(item) : { parent: item.id })
    else if (held && key === 'Escape') onHold(null)
    else if (key === 'x') onHold(held === item.id ? null : item.id)
    else if (key === 'F2' || (key === 'Enter' && !held)) onRename(item)
    else if (key === 'm') onMerge(item)
    else if (key === 'Delete') onRemove(item)
    else return
    event.preventDefault()
  }
  const drag = (item: TreeItem) => ({
    draggable: true,
    onDragStart: (event: DragEvent) => {
      event.dataTransfer.setData('text/plain', item.name)
      event.dataTransfer.effectAllowed = 'move'
      setDragged(item.id)
    },
    onDragEnd: () => {
      setOver(null)
      setDragged(null)
    },
    onDragOver: (event: DragEvent) => {
      if (!targets.inside(item)) return
      event.preventDefault()
      const box = event.currentTarget.getBoundingClientRect()
      const part = (event.clientY - box.top) / box.height
      const where = part < 0.3 ? 'before' : part > 0.7 ? 'after' : 'inside'
      if (over?.id !== item.id || over.where !== where) setOver({ id: item.id, where })
    },
    onDrop: (event: DragEvent) => {
      event.preventDefault()
      if (dragged && over) put(dragged, over.where === 'inside' ? { parent: item.id } : targets[over.where](item))
      setOver(null)
      setDragged(null)
    },
  })
  const line = (item: TreeItem) =>
    item.id === held
      ? 'border-l-accent bg-accent-tint outline-1 outline-accent outline-dashed'
      : over?.id === item.id && dragged
        ? {
            before: 'border-l-transparent shadow-[0_-2px_0_var(--color-accent)]',
            inside: 'border-l-accent bg-accent-tint',
            after: 'border-l-transparent shadow-[0_2px_0_var(--color-accent)]',
          }[over.where]
        : 'border-l-transparent'
  /** While a node is picked up: whether it can be dropped on this one. */
  const canTake = (item: TreeItem) => held !== null && held !== item.id && spots.inside(item)
  return (
    <div ref={root} role="tree" aria-label={label}>
      {shown.map(({ item, level, branch }, i) => (
        <div
          key={item.id}
          data-item={item.id}
          role="treeitem"
          aria-level={level}
          aria-expanded={branch ? !closed.includes(item.id) : undefined}
          aria-selected={item.id === held}
          aria-label={[
            item.name,
            ...(canTake(item) ? [words.before, words.after, words.inside] : []), // WCAG 2.5.3: the name contains the visible text
            words.count({ count: item.count ?? 0 }),
          ].join(', ')}
          tabIndex={item.id === current ? 0 : -1}
          onFocus={() => setAt(item.id)}
          onKeyDown={(event) => keys(event, i)}
          {...drag(item)}
          className={`-outline-offset-2 group flex min-h-8 cursor-grab items-center gap-2 border-b border-b-hairline border-l-3 pr-2 hover:bg-paper ${line(item)}`}
          style={{ paddingLeft: 4 + (level - 1) * 20 }}
        >
          <Twisty branch={branch} closed={closed.includes(item.id)} onToggle={() => shut(item.id, !closed.includes(item.id))} />
          <span className="min-w-0 flex-1 truncate">{item.name}</span>{' '}
          {canTake(item) ? (
            <span className="invisible flex gap-1 group-focus-within:visible group-focus:visible group-hover:visible">
              <Put tabIndex={item.id === current ? 0 : -1} name={words.before} onPut={() => held && put(held, spots.before(item))} />{' '}
              <Put tabIndex={item.id === current ? 0 : -1} name={words.after} onPut={() => held && put(held, spots.after(item))} />{' '}
              <Put tabIndex={item.id === current ? 0 : -1} name={words.inside} onPut={() => held && put(held, { parent: item.id })} />
            </span>
          ) : (
            <>
              <span className="text-caption text-quiet">{number(item.count ?? 0)}</span>
              {more(item, item.id === current ? 0 : -1)}
            </>
          )}
        </div>
      ))}
    </div>
  )
}

function Put({ name, tabIndex, onPut }: { name: string; tabIndex: 0 | -1; onPut: () => void }) {
  return (
    <button
      type="button"
      tabIndex={tabIndex}
      className="min-h-6 rounded-ui border border-edge bg-paper px-2 text-caption text-accent hover:border-accent"
      onClick={onPut}
    >
      {name}
    </button>
  )
}
