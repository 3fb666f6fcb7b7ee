import { Toast as Radix } from 'radix-ui'
import { createContext, type ReactNode, useCallback, useContext, useState } from 'react'

export type Notice = { text: string; undo?: () => void; link?: { title: string; go: () => void }; look?: 'problem' }
const Tell = createContext<(notice: Notice) => void>(() => undefined)

/** Says what was done in one line, with a way back for twenty seconds. */
export const useToast = () => useContext(Tell)

type Words = { label: string; undo: string; close: string }

export function Toasts({ words, children }: { words: Words; children: ReactNode }) {
  const [shown, setShown] = useState<(Notice & { id: number })[]>([])
  const tell = useCallback((notice: Notice) => setShown((now) => [...now.slice(-2), { ...notice, id: Date.now() + Math.random() }]), [])
  const drop = (id: number) => setShown((now) => now.filter((one) => one.id !== id))
  return (
    <Tell value={tell}>
      <Radix.Provider label={words.label} swipeDirection="down">
        {children}
        {shown.map((notice) => (
          <Radix.Root
            key={notice.id}
            duration={20_000}
            onOpenChange={(open) => (open ? undefined : drop(notice.id))}
            className={`flex items-center gap-3 rounded-ui px-4 py-2 shadow-float ${notice.look === 'problem' ? 'bg-problem-tint text-problem' : 'bg-bar text-on-bar'}`}
          >
            <Radix.Description className="flex-1">{notice.text}</Radix.Description>
            {notice.link ? (
              <Radix.Action altText={notice.link.title} asChild>
                <button type="button" className="min-h-7 font-semibold underline" onClick={notice.link.go}>
                  {notice.link.title}
                </button>
              </Radix.Action>
            ) : null}
            {notice.undo ? (
              <Radix.Action altText={words.undo} asChild>
                <button type="button" className="min-h-7 rounded-ui border border-current px-2 font-semibold" onClick={notice.undo}>
                  {words.undo}
                </button>
              </Radix.Action>
            ) : null}
            <Radix.Close aria-label={words.close} className="min-h-7 min-w-7">
              <span aria-hidden="true">✕</span>
            </Radix.Close>
          </Radix.Root>
        ))}
        <Radix.Viewport
          label={words.label}
          className="fixed bottom-16 left-1/2 z-50 flex w-[min(560px,calc(100vw-32px))] -translate-x-1/2 flex-col gap-2 outline-none"
        />
      </Radix.Provider>
    </Tell>
  )
}
