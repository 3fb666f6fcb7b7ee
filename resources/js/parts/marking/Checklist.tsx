import { type KeyboardEvent, useRef, useState } from 'react'
import type { Criterion } from '@/api/question'
import { texts } from '@/messages'
import { Gap } from '@/ui/Sentence'
import { afterRemoving } from '../afterRemoving'
import { freshId } from '../fresh'
import { CriterionMore, moreSaid } from './CriterionMore'
import { CriterionTools, Grip } from './CriterionTools'
import { freshCriterion } from './levels'
import { PointsField } from './PointsField'
import type { GridProps } from './RubricGrid'
import { useCriteria } from './useCriteria'

const words = texts.rubric
const split = (typed: string) =>
  typed
    .split(';')
    .map((one) => one.trim())
    .filter(Boolean)

/** Points that are there or not, with the wordings that earn them and those that do not. Enter begins the next one. */
export function Checklist({ rubric, media, problem, onChange, onPasteCells, mayAdd }: GridProps) {
  const list = useRef<HTMLUListElement>(null)
  const rows = useCriteria({ rubric, onChange })
  const { open, over, set } = rows
  const { criteria } = rubric
  const focus = (row: number) =>
    requestAnimationFrame(() => list.current?.querySelectorAll<HTMLElement>(':scope > li')[row]?.querySelector('input')?.focus())
  const keys = (event: KeyboardEvent, row: number) => {
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key]
    if (event.altKey && !event.shiftKey && by !== undefined) {
      event.preventDefault()
      rows.move(row, row + by)
      focus(Math.min(criteria.length - 1, Math.max(0, row + by)))
    } else if (event.key === 'Enter' && event.target instanceof HTMLInputElement && !event.ctrlKey && !event.metaKey) {
      event.preventDefault()
      if (row + 1 >= criteria.length && mayAdd) onChange([...criteria, freshCriterion(freshId(criteria, 'c'), 'checklist')], '')
      focus(row + 1)
    }
  }
  return (
    <ul ref={list} aria-label={words.points}>
      {criteria.map((one, row) => {
        const named = one.title || words.pointNumber({ n: row + 1 })
        const level = one.levels[0] ?? { id: 'l1', points: 1, html: '' }
        const wrong = problem(`/criteria/${row}`)
        return (
          <li
            key={one.id}
            className={`border-hairline border-b px-1 py-1.5 ${over === one.id ? 'outline-2 outline-accent' : ''}`}
            onKeyDown={(event) => keys(event, row)}
            onPasteCapture={(event) => {
              const text = event.clipboardData.getData('text/plain')
              if (!/[\t\n]/.test(text.trim())) return
              event.preventDefault()
              event.stopPropagation()
              onPasteCells(text, row)
            }}
            ref={rows.takesCriteria(row)}
          >
            <div className="flex items-start gap-1">
              <Grip data={{ type: 'criterion', id: one.id }} className="mt-1.5" />
              <div className="flex min-w-0 flex-1 flex-col gap-1">
                <input
                  aria-label={words.pointNumber({ n: row + 1 })}
                  placeholder={words.pointHint}
                  maxLength={1000}
                  className="min-h-7 w-full rounded-t-ui border-edge border-b-2 bg-well px-1.5 text-ink placeholder:text-quiet"
                  value={one.title}
                  onChange={(event) => set(one.id, { title: event.target.value }, `${one.id} title`)}
                />
                <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1 text-caption text-second">
                  <Wordings of={one} which="accept" label={words.accept} named={named} set={set} />
                  <Wordings of={one} which="reject" label={words.reject} named={named} set={set} />
                  <span>{moreSaid(one, rubric)}</span>
                </div>
                {open === one.id ? (
                  <CriterionMore criterion={one} rubric={rubric} media={media} onChange={(changed, place) => set(one.id, changed, place)} />
                ) : null}
                {wrong ? <p className="text-caption text-problem">{wrong}</p> : null}
              </div>
              <PointsField
                points={level.points}
                label={words.pointsOf({ what: named })}
                onChange={(points) => set(one.id, { levels: [{ ...level, points }, ...one.levels.slice(1)] }, `${one.id} points`)}
              />
              <CriterionTools id={one.id} named={named} rows={rows} onRemoved={() => afterRemoving(list.current, 'li', row)} />
            </div>
          </li>
        )
      })}
    </ul>
  )
}

type WordingsProps = {
  of: Criterion
  which: 'accept' | 'reject'
  label: string
  named: string
  set: (id: string, changed: Partial<Criterion>, place: string) => void
}

/** Wordings between semicolons; a semicolon that was just typed stays. */
function Wordings({ of, which, label, named, set }: WordingsProps) {
  const [typed, setTyped] = useState<string | null>(null)
  return (
    <span className="flex items-baseline gap-1">
      {label}
      <Gap
        wide
        aria-label={`${label} ${named}`}
        placeholder={words.wordings}
        value={typed ?? (of[which] ?? []).join('; ')}
        onChange={(event) => {
          setTyped(event.target.value)
          set(of.id, { [which]: split(event.target.value) }, `${of.id} ${which}`)
        }}
        onBlur={() => setTyped(null)}
      />
    </span>
  )
}
