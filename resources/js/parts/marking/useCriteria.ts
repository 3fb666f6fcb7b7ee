import { useState } from 'react'
import type { Criterion } from '@/api/question'
import { dropTarget } from '@/lib/drag'
import { moved } from '../moved'
import type { GridProps } from './RubricGrid'

/** What a grid and a checklist do alike with their criteria: change, move and remove one, show what else holds for one. */
export function useCriteria({ rubric: { criteria }, onChange }: Pick<GridProps, 'rubric' | 'onChange'>) {
  const [open, setOpen] = useState<string | null>(null)
  const [over, setOver] = useState<string | null>(null)
  const move = (from: number, to: number) => onChange(moved(criteria, from, to), '')
  return {
    open,
    toggle: (id: string) => setOpen(open === id ? null : id),
    /** The id of what something dragged is above. */
    over,
    setOver,
    set: (id: string, changed: Partial<Criterion>, place: string) =>
      onChange(
        criteria.map((one) => (one.id === id ? { ...one, ...changed } : one)),
        place,
      ),
    move,
    remove: (id: string) =>
      onChange(
        criteria.filter((one) => one.id !== id),
        '',
      ),
    takesCriteria: (row: number) =>
      dropTarget({
        takes: (dragged) => dragged.type === 'criterion',
        onOver: () => setOver(criteria[row]?.id ?? null),
        onLeave: () => setOver(null),
        onDrop: (dragged) =>
          move(
            criteria.findIndex((one) => one.id === dragged.id),
            row,
          ),
      }),
  }
}

export type Criteria = ReturnType<typeof useCriteria>
