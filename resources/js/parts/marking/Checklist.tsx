import { GripVertical, SlidersHorizontal } from 'lucide-react'
import { type KeyboardEvent, useRef, useState } from 'react'
import type { Criterion } from '@/api/question'
import { dragSource, dropTarget } from '@/lib/drag'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Gap } from '@/ui/Sentence'
import { afterRemoving } from '../afterRemoving'
import { freshId } from '../fresh'
import { moved } from '../moved'
import { RemoveButton } from '../RemoveButton'
import { CriterionMore, moreSaid } from './CriterionMore'
import { freshCriterion } from './levels'
import { PointsField } from './PointsField'
import type { GridProps } from './RubricGrid'

const words = texts.rubric
const split = (typed: string) =>
  typed
    .split(';')
    .map((one) => one.trim())
    .filter(Boolean)

/** Points that are there or not, with the wordings that earn them and those that do not. Enter begins the next one. */
export function Checklist({ rubric, media, problem, onChange, onPasteCells, mayAdd }: GridProps) {
  const list = useRef<HTMLUListElement>(null)
  const [open, setOpen] = useState<string | null>(null)
  const [over, setOver] = useState<string | null>(null)
  const { criteria } = rubric
  const set = (id: string, changed: Partial<Criterion>, place: string) =>
    onChange(
      criteria.map((one) => (one.id === id ? { ...one, ...changed } : one)),
      place,
    )
  const focus = (row: number) =>
    requestAnimationFrame(() => list.current?.querySelectorAll<HTMLElement>(':scope > li')[row]?.querySelector('input')?.focus())
  const keys = (event: KeyboardEvent, row: number) => {
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key]
    if (event.altKey && !event.shiftKey && by !== undefined) {
      event.preventDefault()
      onChange(moved(criteria, row, row + by), '')
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
            ref={dropTarget({
              takes: (dragged) => dragged.type === 'criterion',
              onOver: () => setOver(one.id),
              onLeave: () => setOver(null),
              onDrop: (dragged) =>
                onChange(
                  moved(
                    criteria,
                    criteria.findIndex((it) => it.id === dragged.id),
                    row,
                  ),
                  '',
                ),
            })}
          >
            <div className="flex items-start gap-1">
              <span
                ref={dragSource({ data: { type: 'criterion', id: one.id } })}
                className="mt-1.5 cursor-grab text-quiet"
                title={words.moveHint}
              >
                <GripVertical size={16} aria-hidden="true" />
              </span>
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
              <Button
                look="quiet"
                className="!px-1"
                aria-expanded={open === one.id}
                aria-label={words.moreOf({ what: named })}
                title={words.more}
                onClick={() => setOpen(open === one.id ? null : one.id)}
              >
                <SlidersHorizontal size={14} aria-hidden="true" />
              </Button>
              <RemoveButton
                name={named}
                onClick={() => {
                  onChange(
                    criteria.filter((it) => it.id !== one.id),
                    '',
                  )
                  afterRemoving(list.current, 'li', row)
                }}
              />
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
