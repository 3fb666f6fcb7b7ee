import type { ReactNode } from 'react'

type Props<Item> = {
  /** What the field says it controls; the item with number n is called `${id}-${n}`. */
  id: string
  label: string
  items: Item[]
  /** The item that Enter takes. */
  at: number
  onPick: (item: Item) => void
  className: string
  children: (item: Item) => ReactNode
}

/** The list below a field that one types into; the field keeps the focus and the keys (the combobox of WAI-ARIA). */
export function Suggestions<Item extends { id: string }>({ id, label, items, at, onPick, className, children }: Props<Item>) {
  return (
    <div id={id} role="listbox" aria-label={label} tabIndex={-1} hidden={items.length === 0} className={className}>
      {items.map((one, i) => (
        // biome-ignore lint/a11y/useKeyWithClickEvents: the keys are on the field
        <div
          key={one.id}
          id={`${id}-${i}`}
          role="option"
          tabIndex={-1}
          aria-selected={i === at}
          ref={i === at ? (row) => row?.scrollIntoView({ block: 'nearest' }) : undefined}
          className={`cursor-pointer px-3 py-1.5 ${i === at ? 'bg-accent-tint' : 'hover:bg-well'}`}
          onPointerDown={(event) => event.preventDefault()}
          onClick={() => onPick(one)}
        >
          {children(one)}
        </div>
      ))}
    </div>
  )
}
