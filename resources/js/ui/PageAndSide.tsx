import type { ReactNode } from 'react'
import { useWide } from '@/lib/useWide'
import { texts } from '@/messages'
import { Panes } from './Panes'

/** A page that is written on, and what belongs to it beside it, or below it on a narrow screen; the border between them moves. */
export function PageAndSide({ name, label, page, side }: { name: string; label: string; page: ReactNode; side: ReactNode }) {
  const wide = useWide(900)
  if (!wide)
    return (
      <div className="h-full overflow-y-auto">
        {page}
        <div className="min-h-120 border-hairline border-t">{side}</div>
      </div>
    )
  const size = Math.max(560, Math.round(window.innerWidth * 0.66))
  return (
    <Panes
      name={name}
      borderName={(pane) => texts.frame.border({ pane })}
      panes={[{ id: 'page', label, body: page, size, min: 480, max: Math.max(560, window.innerWidth - 320) }]}
      last={side}
    />
  )
}
