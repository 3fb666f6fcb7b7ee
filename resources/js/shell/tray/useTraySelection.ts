import { useRef, useState } from 'react'
import type { TrayRow } from '@/api/assembly'
import type { QuestionRow } from '@/api/schema'
import type { Selection } from '@/lib/useSelection'
import { useTray } from './useTray'

const known = (row: QuestionRow) => ({
  id: row.id,
  title: row.title_marks.map(([text]) => text).join(''),
  kinds: row.kinds,
  points: row.points,
  bank: row.bank,
  bank_name: row.bank_name,
})

/** What is ticked in a bank's list lies in the tray; everything that matches is a filter, and ends when the filter changes. */
export function useTraySelection(rows: QuestionRow[], filter: string): Selection & { rows: TrayRow[] } {
  const tray = useTray()
  const [allOf, setAllOf] = useState<string | null>(null)
  const seen = useRef(new Map<string, QuestionRow>())
  const run = (from: string | undefined, to: string) => {
    const [a, b] = [rows.findIndex((row) => row.id === from), rows.findIndex((row) => row.id === to)]
    return rows.slice(a < 0 ? b : Math.min(a, b), Math.max(a, b) + 1)
  }
  return {
    rows: tray.rows,
    ids: tray.ids,
    all: allOf === filter && tray.ids.length > 0,
    toggle: (id, shown) => {
      setAllOf(null)
      // In groups there are more rows in sight than those of the list.
      const row = shown ?? rows.find((one) => one.id === id) ?? seen.current.get(id)
      if (row) tray.toggle(known(row))
    },
    extend: (from, to) => {
      setAllOf(null)
      tray.add(run(from, to).map(known))
    },
    see: (some) => {
      for (const row of some) seen.current.set(row.id, row)
    },
    selectAll: () => setAllOf(filter),
    clear: () => {
      setAllOf(null)
      tray.remove(tray.ids)
    },
  }
}
