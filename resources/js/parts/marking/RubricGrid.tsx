import { Plus } from 'lucide-react'
import { type KeyboardEvent, useRef } from 'react'
import type { Criterion, Rubric, RubricLevel } from '@/api/question'
import { useSteady } from '@/lib/useSteady'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { afterRemoving } from '../afterRemoving'
import { freshId } from '../fresh'
import { moved } from '../moved'
import { CriterionMore, moreSaid } from './CriterionMore'
import { CriterionTools, Grip } from './CriterionTools'
import { type LevelActions, LevelCell } from './LevelCell'
import { freshCriterion } from './levels'
import { useCriteria } from './useCriteria'

const words = texts.rubric
const MOST_LEVELS = 20

export type GridProps = {
  rubric: Rubric
  media: (id: string) => string
  problem: (path: string) => string | undefined
  /** `place` names what was changed, so that typing in one field is one step of undo. */
  onChange: (criteria: Criterion[], place: string) => void
  onPasteCells: (text: string, after: number) => void
  mayAdd: boolean
}

/** Criteria down, levels across. Enter goes down a row, Alt and the arrows move a criterion or a level, pasted cells become both. */
export function RubricGrid({ rubric, media, problem, onChange, onPasteCells, mayAdd }: GridProps) {
  const table = useRef<HTMLTableElement>(null)
  const rows = useCriteria({ rubric, onChange })
  const { open, over, set } = rows
  const { criteria } = rubric
  const columns = Math.max(1, ...criteria.map((one) => one.levels.length))
  const setLevels = (one: Criterion, levels: RubricLevel[], place = '') => set(one.id, { levels }, place)
  const addLevel = (one: Criterion) => setLevels(one, [...one.levels, { id: freshId(one.levels, 'l'), points: null, html: '' }])
  const focus = (row: number, column: string) =>
    requestAnimationFrame(() =>
      table.current
        ?.querySelectorAll<HTMLElement>('tbody > tr[data-criterion]')
        [row]?.querySelector<HTMLElement>(`[data-column="${column}"] :is(input, [role=textbox])`)
        ?.focus(),
    )
  const down = (row: number, column: string) => {
    if (row + 1 >= criteria.length) {
      if (!mayAdd) return
      onChange([...criteria, freshCriterion(freshId(criteria, 'c'), rubric.scheme, criteria[row])], '')
    }
    focus(row + 1, column)
  }
  /** Alt with an arrow moves what the cursor is in; Enter in a field goes down. */
  const keys = (event: KeyboardEvent, row: number, level: number | null) => {
    const one = criteria[row]
    if (!one) return
    const by = { ArrowUp: -1, ArrowDown: 1, ArrowLeft: -1, ArrowRight: 1 }[event.key]
    if (event.altKey && !event.shiftKey && by !== undefined) {
      const isAcross = event.key === 'ArrowLeft' || event.key === 'ArrowRight'
      if (isAcross && level === null) return
      event.preventDefault()
      if (!isAcross) {
        rows.move(row, row + by)
        focus(Math.min(criteria.length - 1, Math.max(0, row + by)), level === null ? 'title' : String(level))
      } else if (level !== null) {
        setLevels(one, moved(one.levels, level, level + by))
        focus(row, String(Math.min(one.levels.length - 1, Math.max(0, level + by))))
      }
    } else if (event.key === 'Enter' && event.target instanceof HTMLInputElement && !event.ctrlKey && !event.metaKey) {
      event.preventDefault()
      down(row, level === null ? 'title' : String(level))
    }
  }
  const actions = useSteady<LevelActions>({
    change: (row, column, changed, place) => {
      const one = criteria[row]
      if (one)
        setLevels(
          one,
          one.levels.map((it, i) => (i === column ? { ...it, ...changed } : it)),
          `${one.id} ${one.levels[column]?.id} ${place}`,
        )
    },
    remove: (row, column) => {
      const one = criteria[row]
      if (one)
        setLevels(
          one,
          one.levels.filter((_, i) => i !== column),
        )
    },
    drop: (row, id, column) => {
      const one = criteria[row]
      if (one)
        setLevels(
          one,
          moved(
            one.levels,
            one.levels.findIndex((it) => it.id === id),
            column,
          ),
        )
    },
    over: rows.setOver,
    down,
    keys,
  })
  const paste = (event: React.ClipboardEvent, row: number) => {
    const text = event.clipboardData.getData('text/plain')
    if (!text.includes('\t')) return
    event.preventDefault()
    event.stopPropagation()
    onPasteCells(text, row)
  }
  return (
    <div className="small-text bars-inside overflow-x-auto">
      <table ref={table} className="w-full border-collapse">
        <caption className="sr-only">{words.grid}</caption>
        <thead>
          <tr className="text-left text-caption text-second">
            <th scope="col" className="min-w-40 px-2 py-1 font-semibold">
              {words.criterion}
            </th>
            {Array.from({ length: columns }, (_, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
              <th key={i} scope="col" className="min-w-36 px-2 py-1 font-semibold">
                {words.level({ n: i + 1 })}
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>
          {criteria.map((one, row) => {
            const named = one.title || words.criterionNumber({ n: row + 1 })
            const wrong = problem(`/criteria/${row}/levels`) ?? problem(`/criteria/${row}`)
            return (
              <tr
                key={one.id}
                data-criterion={one.id}
                onPasteCapture={(event) => paste(event, row)}
                className={`border-hairline border-t align-top ${over === one.id ? 'outline-2 outline-accent' : ''}`}
                ref={rows.takesCriteria(row)}
              >
                <th
                  scope="row"
                  data-column="title"
                  className="px-1 py-1.5 text-left font-normal"
                  onKeyDown={(event) => keys(event, row, null)}
                >
                  <div className="flex items-start gap-0.5">
                    <Grip data={{ type: 'criterion', id: one.id }} className="mt-1" />
                    <input
                      aria-label={words.criterionNumber({ n: row + 1 })}
                      placeholder={words.criterionHint}
                      maxLength={1000}
                      className="min-h-7 w-full min-w-0 rounded-t-ui border-edge border-b-2 bg-well px-1.5 font-semibold text-ink placeholder:font-normal placeholder:text-quiet"
                      value={one.title}
                      onChange={(event) => set(one.id, { title: event.target.value }, `${one.id} title`)}
                    />
                  </div>
                  <div className="flex flex-wrap items-center pl-5 text-caption text-second">
                    <span>{moreSaid(one, rubric)}</span>
                    <CriterionTools
                      id={one.id}
                      named={named}
                      rows={rows}
                      onRemoved={() => afterRemoving(table.current, 'tbody > tr', row)}
                    />
                  </div>
                  {open === one.id ? (
                    <CriterionMore
                      criterion={one}
                      rubric={rubric}
                      media={media}
                      onChange={(changed, place) => set(one.id, changed, place)}
                    />
                  ) : null}
                  {wrong ? <p className="pl-5 text-caption text-problem">{wrong}</p> : null}
                </th>
                {Array.from({ length: columns }, (_, i) => {
                  const level = one.levels[i]
                  // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
                  if (!level) return <td key={`none ${i}`} className="bg-well" />
                  return (
                    <LevelCell
                      key={level.id}
                      level={level}
                      of={one.id}
                      row={row}
                      column={i}
                      called={words.levelOf({ n: i + 1, what: named })}
                      isOver={over === `${one.id} ${level.id}`}
                      media={media}
                      actions={actions}
                    />
                  )
                })}
                <td className="py-1.5">
                  {one.levels.length < MOST_LEVELS ? (
                    <Button
                      look="quiet"
                      className="!px-1"
                      aria-label={words.addLevelTo({ what: named })}
                      title={words.addLevel}
                      onClick={() => addLevel(one)}
                    >
                      <Plus size={16} aria-hidden="true" />
                    </Button>
                  ) : null}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </div>
  )
}
