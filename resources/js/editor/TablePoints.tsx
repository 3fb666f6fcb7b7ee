import type { Part } from '@/api/question'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'

type Props = { parts: Part[]; open: boolean; onOpen: () => void; onPoints: (points: number) => void }

/** The answers of one table as one thing: points for all of its cells, and each of them on request. */
export function TablePoints({ parts, open, onOpen, onPoints }: Props) {
  const points = parts.every((part) => part.points === parts[0]?.points) ? (parts[0]?.points ?? 1) : ''
  return (
    <section
      aria-label={texts.table.answers({ n: parts.length })}
      className="flex flex-wrap items-center gap-3 rounded-ui border border-edge bg-page px-3 py-1.5"
    >
      <h2 className="font-semibold">{texts.table.answers({ n: parts.length })}</h2>
      <label className="flex items-center gap-1.5">
        <input
          type="number"
          min={0}
          step="0.5"
          placeholder="…"
          aria-label={texts.table.pointsOfAll}
          className={`${control} w-16 text-right`}
          value={points}
          onChange={(event) => onPoints(Math.max(0, Number(event.target.value)))}
        />
        {texts.table.pointsOfAll}
      </label>
      <span className="min-w-0 flex-1 truncate text-right text-caption text-quiet">
        {texts.points({ n: parts.reduce((sum, part) => sum + part.points, 0) })}
      </span>
      <Button look="quiet" aria-expanded={open} onClick={onOpen}>
        {open ? texts.table.hide : texts.table.show}
      </Button>
    </section>
  )
}
