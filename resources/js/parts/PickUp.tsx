import { createContext, type ReactNode, useContext, useEffect, useState } from 'react'
import { type Dragged, dragSource, dropTarget } from '@/lib/drag'
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

type Carried = Dragged & { thing: string; from?: string }
const typeOf = (part: string) => `thing of ${part}`

/** `ref={carry(…)}`: a thing that can be dragged to the places of its part; `from` is the place it lies in. */
export const carry = (part: string, thing: string, from?: string) =>
  dragSource({ data: { type: typeOf(part), thing, ...(from === undefined ? {} : { from }) } })

/** `ref={accept(…)}`: a place for the things of a part; told what was dropped, and the place it lay in. */
export const accept = (part: string, put: (thing: string, from?: string) => void) =>
  dropTarget({
    takes: (dragged) => dragged.type === typeOf(part),
    onDrop: (dragged) => {
      const { thing, from } = dragged as Carried
      put(thing, from)
    },
  })
