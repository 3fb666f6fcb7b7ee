import { GripVertical, SlidersHorizontal } from 'lucide-react'
import { type Dragged, dragSource } from '@/lib/drag'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { RemoveButton } from '../RemoveButton'
import type { Criteria } from './useCriteria'

const words = texts.rubric

/** What a criterion or a level is dragged by; Alt and the arrows do the same. */
export function Grip({ data, size = 16, className }: { data: Dragged; size?: number; className: string }) {
  return (
    <span ref={dragSource({ data })} className={`cursor-grab text-quiet ${className}`} title={words.moveHint}>
      <GripVertical size={size} aria-hidden="true" />
    </span>
  )
}

type Props = { id: string; named: string; rows: Criteria; onRemoved: () => void }

/** Shows what else holds for a criterion, and takes it away. */
export function CriterionTools({ id, named, rows, onRemoved }: Props) {
  return (
    <>
      <Button
        look="quiet"
        className="!px-1"
        aria-expanded={rows.open === id}
        aria-label={words.moreOf({ what: named })}
        title={words.more}
        onClick={() => rows.toggle(id)}
      >
        <SlidersHorizontal size={14} aria-hidden="true" />
      </Button>
      <RemoveButton
        name={named}
        onClick={() => {
          rows.remove(id)
          onRemoved()
        }}
      />
    </>
  )
}
