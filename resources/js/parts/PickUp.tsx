import { createContext, type ReactNode, useContext, useEffect, useState } from 'react'
import { texts } from '@/messages'

type Held = { part: string; thing: string; words: string }
const Hands = createContext<{ held: Held | null; hold: (held: Held | null) => void }>({ held: null, hold: () => undefined })

/** What the learner has picked up and not put down yet: one thing at a time, by pointer, touch or key. Escape lays it back. */
export function PickUp({ children }: { children: ReactNode }) {
  const [held, hold] = useState<Held | null>(null)
  useEffect(() => {
    if (!held) return
    const keys = (event: KeyboardEvent) => {
      if (event.key === 'Escape') hold(null)
    }
    addEventListener('keydown', keys)
    return () => removeEventListener('keydown', keys)
  }, [held])
  return (
    <Hands.Provider value={{ held, hold }}>
      {children}
      <p role="status" className={held ? 'font-sans text-caption text-second' : 'sr-only'}>
        {held ? texts.parts.pickedUp({ what: held.words }) : ''}
      </p>
    </Hands.Provider>
  )
}

/** The hand as one part sees it. */
export function useHand(part: string) {
  const { held, hold } = useContext(Hands)
  return {
    thing: held?.part === part ? held.thing : null,
    pick: (thing: string, words: string) => hold(held?.part === part && held.thing === thing ? null : { part, thing, words }),
    letGo: () => hold(null),
  }
}

/** What a thing carries when it is dragged, and what a place does with what is dropped on it. */
export const carry = (part: string, thing: string, from?: string) => ({
  draggable: true,
  onDragStart: (event: React.DragEvent) => {
    event.dataTransfer.setData(`application/x-thing-${part.toLowerCase()}`, thing)
    if (from !== undefined) event.dataTransfer.setData(`application/x-thing-${part.toLowerCase()}-from`, from)
  },
})
export const accept = (part: string, put: (thing: string) => void) => ({
  onDragOver: (event: React.DragEvent) => {
    if (event.dataTransfer.types.includes(`application/x-thing-${part.toLowerCase()}`)) event.preventDefault()
  },
  onDrop: (event: React.DragEvent) => {
    const thing = event.dataTransfer.getData(`application/x-thing-${part.toLowerCase()}`)
    if (thing === '') return
    event.preventDefault()
    event.stopPropagation()
    put(thing)
  },
})
