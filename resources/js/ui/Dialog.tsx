import { Dialog as Radix } from 'radix-ui'
import { type ReactNode, useRef } from 'react'

type Props = {
  open: boolean
  onClose: () => void
  title: string
  /** One sentence below the title. */
  about?: ReactNode
  /** Wider, for two things side by side. */
  wide?: boolean
  closeName: string
  children: ReactNode
  actions?: ReactNode
}

const FIELD = 'form :is(math-field, input:not([type="radio"]:not(:checked)), select, textarea)'

/** Something to settle before going on; Escape leaves it. A form begins in its first field; the focus goes back to where it came from. */
export function Dialog({ open, onClose, title, about, wide, closeName, children, actions }: Props) {
  // Asked before a field inside takes the focus, which it may do as soon as it is there.
  const before = useRef<Element | null>(null)
  const was = useRef(false)
  if (open && !was.current) before.current = document.activeElement
  was.current = open
  return (
    <Radix.Root open={open} onOpenChange={(now) => (now ? undefined : onClose())}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-30 bg-black/45" />
        <Radix.Content
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            const field = event.currentTarget instanceof HTMLElement ? event.currentTarget.querySelector<HTMLElement>(FIELD) : null
            if (field) {
              event.preventDefault()
              field.focus()
            }
          }}
          onCloseAutoFocus={(event) => {
            if (before.current instanceof HTMLElement && before.current !== document.body && before.current.isConnected) {
              event.preventDefault()
              before.current.focus()
            }
          }}
          className={`fixed top-[8vh] left-1/2 z-40 flex max-h-[84vh] w-[calc(100vw-32px)] -translate-x-1/2 flex-col rounded-ui border border-hairline bg-paper text-ink shadow-float ${wide ? 'max-w-240' : 'max-w-130'}`}
        >
          <header className="flex items-start gap-4 border-hairline border-b px-5 py-3">
            <div className="flex-1">
              <Radix.Title className="text-head font-semibold">{title}</Radix.Title>
              {about ? <div className="text-second">{about}</div> : null}
            </div>
            <Radix.Close className="min-h-7 min-w-7 rounded-ui text-second hover:bg-well" aria-label={closeName}>
              <span aria-hidden="true">✕</span>
            </Radix.Close>
          </header>
          <section className="min-h-0 flex-1 overflow-y-auto px-5 py-4" aria-label={title}>
            {children}
          </section>
          {actions ? <footer className="flex flex-wrap justify-end gap-2 border-hairline border-t px-5 py-3">{actions}</footer> : null}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
