import { DropdownMenu } from 'radix-ui'
import { type ComponentProps, createContext, type ReactNode, useContext, useRef } from 'react'

const item =
  'flex min-h-8 cursor-pointer select-none items-center gap-3 rounded-ui px-2 py-1 text-ui outline-none data-[disabled]:opacity-55 data-[highlighted]:bg-accent-tint data-[highlighted]:text-accent'

const Picked = createContext<{ current: (() => void) | null }>({ current: null })

/**
 * A menu that a button opens. What was picked is done once the menu is gone and the focus is back at the button, so that a
 * dialog it opens has somewhere to give the focus back to.
 */
function Root({
  button,
  children,
  align = 'start',
  onClosed,
  open,
  onOpen,
}: {
  button: ReactNode
  children: ReactNode
  align?: 'start' | 'end'
  /** Where the focus goes instead of back to the button. */
  onClosed?: () => void
  /** Set where something else than the button may open it too. */
  open?: boolean
  onOpen?: (open: boolean) => void
}) {
  const picked = useRef<(() => void) | null>(null)
  return (
    <DropdownMenu.Root {...(onOpen ? { open: open === true, onOpenChange: onOpen } : {})}>
      <DropdownMenu.Trigger asChild>{button}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={align}
          sideOffset={4}
          collisionPadding={8}
          onCloseAutoFocus={(event) => {
            if (onClosed) {
              event.preventDefault()
              onClosed()
            }
            const act = picked.current
            picked.current = null
            if (act) queueMicrotask(act) // after the focus has moved
          }}
          className="z-30 min-w-44 rounded-ui border border-hairline bg-paper p-1 text-ink shadow-float"
        >
          <Picked value={picked}>{children}</Picked>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

type ItemProps = Omit<ComponentProps<typeof DropdownMenu.Item>, 'onSelect'> & { keys?: string; onSelect?: () => void }

function Item({ keys, children, onSelect, ...rest }: ItemProps) {
  const picked = useContext(Picked)
  return (
    <DropdownMenu.Item
      className={item}
      {...rest}
      onSelect={() => {
        picked.current = onSelect ?? null
      }}
    >
      <span className="flex-1">{children}</span>
      {keys ? <kbd className="text-caption text-quiet">{keys}</kbd> : null}
    </DropdownMenu.Item>
  )
}

function Choice({ value, options, onChange }: { value: string; options: [string, string][]; onChange: (value: string) => void }) {
  return (
    <DropdownMenu.RadioGroup value={value} onValueChange={onChange}>
      {options.map(([key, title]) => (
        <DropdownMenu.RadioItem key={key} value={key} className={`${item} data-[state=checked]:font-semibold`}>
          <span className="w-4 text-accent">
            <DropdownMenu.ItemIndicator>✓</DropdownMenu.ItemIndicator>
          </span>
          {title}
        </DropdownMenu.RadioItem>
      ))}
    </DropdownMenu.RadioGroup>
  )
}

/** Ticked or not; the menu stays open. */
function Tick({ checked, keys, onChange, children }: { checked: boolean; keys?: string; onChange: () => void; children: ReactNode }) {
  return (
    <DropdownMenu.CheckboxItem
      className={item}
      checked={checked}
      onCheckedChange={onChange}
      onSelect={(event) => event.preventDefault()}
      {...(keys ? { 'aria-keyshortcuts': keys } : {})}
    >
      <span className="w-4 text-accent">
        <DropdownMenu.ItemIndicator>✓</DropdownMenu.ItemIndicator>
      </span>
      <span className="flex-1">{children}</span>
      {keys ? <kbd className="text-caption text-quiet">{keys}</kbd> : null}
    </DropdownMenu.CheckboxItem>
  )
}

const Label = ({ children }: { children: ReactNode }) => (
  <DropdownMenu.Label className="px-2 pt-2 pb-1 text-caption text-quiet">{children}</DropdownMenu.Label>
)
const Line = () => <DropdownMenu.Separator className="my-1 h-px bg-hairline" />

export const Menu = { Root, Item, Tick, Choice, Label, Line }
