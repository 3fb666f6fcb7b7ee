import { useCallback, useState } from 'react'
import type { Content } from '@/api/assembly'
import { moved } from '@/lib/assessment'

export type Place = { section: string; at: number }

/**
 * Entries taken up to be put down elsewhere: by dragging, by click and click, or by Enter, arrows, Enter (WCAG 2.5.7). The place
 * counts as things stand while they are held.
 */
export function useCarry(content: Content, change: (edit: (now: Content) => Content) => void) {
  const [held, setHeld] = useState<{ ids: string[]; place: Place } | null>(null)
  const places: Place[] = content.sections.flatMap((section) =>
    Array.from({ length: section.entries.length + 1 }, (_, at) => ({ section: section.id, at })),
  )
  const same = (a: Place, b: Place) => a.section === b.section && a.at === b.at
  const leave = useCallback(() => setHeld(null), [])
  return {
    held,
    pickUp: (ids: string[], place: Place) => setHeld({ ids, place }),
    aim: (place: Place) => setHeld((now) => (now && !same(now.place, place) ? { ...now, place } : now)),
    step: (by: number) =>
      setHeld((now) => {
        if (!now) return now
        const at = places.findIndex((place) => same(place, now.place))
        const next = places[Math.max(0, Math.min(places.length - 1, at + by))]
        return next ? { ...now, place: next } : now
      }),
    putDown: (place?: Place) => {
      if (!held) return
      const to = place ?? held.place
      change((now) => moved(now, held.ids, to.section, to.at))
      setHeld(null)
    },
    leave,
    isAt: (section: string, at: number) => held !== null && same(held.place, { section, at }),
  }
}
export type Carry = ReturnType<typeof useCarry>
