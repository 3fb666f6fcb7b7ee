import type { LucideIcon } from 'lucide-react'
import { type ComponentProps, createContext, type ReactNode, useContext, useState } from 'react'

const Current = createContext<{ current: string; set: (name: string) => void }>({ current: '', set: () => undefined })
const keys = ['ArrowLeft', 'ArrowRight', 'Home', 'End']

/** A toolbar is one stop of Tab; arrow keys go from button to button (ARIA Authoring Practices, Toolbar). */
export function Tools({ first, label, className, children }: { first: string; label: string; className: string; children: ReactNode }) {
  const [current, set] = useState(first)
  return (
    <div
      role="toolbar"
      tabIndex={-1}
      aria-label={label}
      className={className}
      onKeyDown={(event) => {
        if (!keys.includes(event.key) || !(event.target instanceof HTMLElement) || event.target.dataset.tool === undefined) return
        const tools = [...event.currentTarget.querySelectorAll<HTMLElement>('[data-tool]')]
        const at = tools.indexOf(event.target)
        const next = { ArrowLeft: at - 1, ArrowRight: at + 1, Home: 0, End: tools.length - 1 }[event.key] ?? at
        event.preventDefault()
        tools.at(next % tools.length)?.focus()
      }}
    >
      <Current value={{ current, set }}>{children}</Current>
    </div>
  )
}

type ButtonProps = ComponentProps<'button'> & { name: string; keys?: string; icon: LucideIcon; pressed?: boolean }
const face =
  'flex min-h-7 min-w-6 items-center justify-center rounded-ui px-1 text-second hover:bg-well aria-pressed:bg-accent-tint aria-pressed:text-accent'

export function ToolButton({ name, keys, icon: Icon, pressed, ...rest }: ButtonProps) {
  const { current, set } = useContext(Current)
  return (
    <button
      type="button"
      data-tool=""
      tabIndex={current === name ? 0 : -1}
      onFocus={() => set(name)}
      aria-label={name}
      title={keys ? `${name} (${keys})` : name}
      {...(pressed === undefined ? {} : { 'aria-pressed': pressed })}
      className={face}
      {...rest}
    >
      <Icon size={16} aria-hidden="true" />
    </button>
  )
}
