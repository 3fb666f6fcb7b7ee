import { createContext, type ReactNode, useContext, useEffect, useMemo, useRef, useState } from 'react'
import { storedText, storeText } from '@/lib/storage'
import type { CommandEntry } from './CommandList'

/** A command of a screen. `keys` is shown; `on` says which key press it is. */
export type ScreenCommand = CommandEntry & { on?: (event: KeyboardEvent) => boolean; single?: boolean }

type Store = {
  all: Map<string, ScreenCommand[]>
  set: (owner: string, commands: ScreenCommand[]) => void
  singleKeys: boolean
  setSingleKeys: (on: boolean) => void
  /** Which list is open. Kept above the screens: a list opened while a screen changes stays open. */
  shown: 'commands' | 'keys' | null
  show: (list: 'commands' | 'keys' | null) => void
}
const Commands = createContext<Store | null>(null)

export function CommandsProvider({ children }: { children: ReactNode }) {
  const [all, setAll] = useState(new Map<string, ScreenCommand[]>())
  const [singleKeys, setSingle] = useState(() => storedText('single-keys') !== 'no')
  const [shown, show] = useState<'commands' | 'keys' | null>(null)
  const store = useMemo<Store>(
    () => ({
      all,
      set: (owner, commands) =>
        setAll((now) => {
          const next = new Map(now)
          if (commands.length === 0) next.delete(owner)
          else next.set(owner, commands)
          return next
        }),
      singleKeys,
      setSingleKeys: (on) => {
        storeText('single-keys', on ? 'yes' : 'no')
        setSingle(on)
      },
      shown,
      show,
    }),
    [all, singleKeys, shown],
  )
  return <Commands value={store}>{children}</Commands>
}

export function useCommandStore(): Store {
  const store = useContext(Commands)
  if (!store) throw new Error('Commands must be used within CommandsProvider')
  return store
}

/** What can be done on this screen: listed by Ctrl K, with its keys behind ?, and done by those keys. */
export function useCommands(owner: string, commands: ScreenCommand[]) {
  const { set, singleKeys } = useCommandStore()
  const latest = useRef(commands)
  latest.current = commands
  const known = commands.map((one) => `${one.id} ${one.title}`).join('\n')
  // biome-ignore lint/correctness/useExhaustiveDependencies: the list is told again only when it reads differently; what it does is looked up late
  useEffect(() => {
    set(
      owner,
      latest.current.map((one) => ({ ...one, run: () => latest.current.find((now) => now.id === one.id)?.run() })),
    )
    return () => set(owner, [])
  }, [owner, known])
  useEffect(() => {
    const run = (event: KeyboardEvent, wanted: (one: ScreenCommand) => boolean) => {
      const found = latest.current.find((one) => wanted(one) && one.on?.(event))
      if (!found || event.defaultPrevented) return
      event.preventDefault()
      found.run()
    }
    // Combinations come first, also before an editor that would swallow them; single keys last, and outside fields only.
    const combined = (event: KeyboardEvent) => run(event, (one) => !one.single)
    const alone = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement
      const taken =
        target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || target.closest('[role=menu], [role=dialog]')
      if (singleKeys && !taken && !event.ctrlKey && !event.metaKey && !event.altKey) run(event, (one) => one.single === true)
    }
    addEventListener('keydown', combined, { capture: true })
    addEventListener('keydown', alone)
    return () => {
      removeEventListener('keydown', combined, { capture: true })
      removeEventListener('keydown', alone)
    }
  }, [singleKeys])
}

/** Ctrl, or Command where that is the habit. */
export const ctrl = (key: string) => (event: KeyboardEvent) =>
  (event.ctrlKey || event.metaKey) && !event.altKey && !event.shiftKey && event.key.toLowerCase() === key
export const altShift = (key: string) => (event: KeyboardEvent) => event.altKey && event.shiftKey && event.key.toLowerCase() === key
export const single = (key: string) => (event: KeyboardEvent) => event.key === key
