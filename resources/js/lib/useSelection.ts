import { useState } from 'react'
import type { QuestionRow } from '@/api/schema'

/** What is selected: some rows, or everything the filter gives. A selection of everything ends when the filter changes. */
export function useSelection(rows: { id: string }[], filter: string) {
  const [ids, setIds] = useState<string[]>([])
  const [allOf, setAllOf] = useState<string | null>(null)
  const run = (from: string | undefined, to: string) => {
    const [a, b] = [rows.findIndex((row) => row.id === from), rows.findIndex((row) => row.id === to)]
    return a < 0 ? [to] : rows.slice(Math.min(a, b), Math.max(a, b) + 1).map((row) => row.id)
  }
  return {
    ids,
    all: allOf === filter && ids.length > 0,
    toggle: (id: string, _row?: QuestionRow) => {
      setAllOf(null)
      setIds((now) => (now.includes(id) ? now.filter((one) => one !== id) : [...now, id]))
    },
    extend: (from: string | undefined, to: string) => {
      setAllOf(null)
      setIds((now) => [...new Set([...now, ...run(from, to)])])
    },
    /** Rows in sight that are not in the list itself, as those of groups. */
    see: (_rows: QuestionRow[]) => {},
    selectAll: () => setAllOf(filter),
    clear: () => {
      setAllOf(null)
      setIds([])
    },
  }
}

export type Selection = ReturnType<typeof useSelection>
