import type { ReactNode } from 'react'
import { useWide } from '@/lib/useWide'
import { texts } from '@/messages'
import { type Pane, Panes } from './Panes'

type Props = {
  /** Under which the widths are remembered. */
  name: string
  /** What is before the list, where there is room for it. */
  before?: Pane[]
  list: Pane
  reading: { label: string; body: ReactNode }
  /** Whether something is picked: a narrow screen shows it in the place of the list. */
  picked: boolean
}

/** A list and what is picked of it, beside each other or, on a narrow screen, one for the other. */
export function ListAndReading({ name, before = [], list, reading, picked }: Props) {
  const narrow = !useWide(768)
  if (narrow) return picked ? <div className="h-full overflow-y-auto bg-paper">{reading.body}</div> : list.body
  return (
    <Panes
      name={name}
      borderName={(pane) => texts.frame.border({ pane })}
      panes={[...before, list]}
      last={
        <section aria-label={reading.label} className="h-full overflow-y-auto bg-paper">
          {reading.body}
        </section>
      }
    />
  )
}
