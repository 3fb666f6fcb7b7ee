import type { Criterion, CriterionMarks, Rubric, RubricLevel } from '@/api/question'
import { texts } from '@/messages'
import { Gap, Pick } from '@/ui/Sentence'
import { levelName, schemeOf } from './levels'

const words = texts.rubric

/** Criteria that are marked: all, or the first one where the whole answer gets one level. */
export const markedOf = (rubric: Rubric): Criterion[] => (schemeOf(rubric) === 'holistic' ? rubric.criteria.slice(0, 1) : rubric.criteria)

export const rangeOf = (level: RubricLevel | undefined) =>
  level && level.points !== null && typeof level.points === 'object' ? level.points : null

/** A mark with another level; what was typed for a range goes with it. */
export const withLevel = (marks: CriterionMarks, criterion: string, level: string | null): CriterionMarks => {
  const { [criterion]: _, ...rest } = marks
  return level === null ? rest : { ...rest, [criterion]: { level } }
}

type Props = { rubric: Rubric; marks: CriterionMarks; onChange: (marks: CriterionMarks) => void }

/** What an answer earns for each criterion, chosen from menus. */
export function MarkChoices({ rubric, marks, onChange }: Props) {
  return (
    <ul className="flex flex-col gap-1">
      {markedOf(rubric).map((one, i) => {
        const named = one.title || words.criterionNumber({ n: i + 1 })
        const mark = marks[one.id]
        const level = one.levels.find((it) => it.id === mark?.level)
        const range = rangeOf(level)
        const isPoint = schemeOf(rubric) === 'checklist'
        const chosen = mark?.level ?? (mark?.points === '0' ? 'none' : '')
        return (
          <li key={one.id} className="flex flex-wrap items-baseline gap-x-2">
            <span className="min-w-0 flex-1 truncate">{named}</span>
            <Pick
              aria-label={named}
              value={chosen}
              options={[
                ['', words.notMarked],
                ...one.levels.map((it): [string, string] => [it.id, isPoint ? words.given({ n: levelName(it) }) : levelName(it)]),
                ...(isPoint ? [['none', words.notGiven] as [string, string]] : []),
              ]}
              onChange={(id) =>
                onChange(id === 'none' ? { ...marks, [one.id]: { points: '0' } } : withLevel(marks, one.id, id === '' ? null : id))
              }
            />
            {range ? (
              <Gap
                aria-label={words.pointsFrom({ from: range.from, to: range.to, what: named })}
                inputMode="decimal"
                placeholder={`${range.from}–${range.to}`}
                value={mark?.points ?? ''}
                onChange={(event) => {
                  const { points: _, ...rest } = mark ?? {}
                  onChange({
                    ...marks,
                    [one.id]: event.target.value === '' ? rest : { ...rest, points: event.target.value.replace(',', '.') },
                  })
                }}
              />
            ) : null}
          </li>
        )
      })}
    </ul>
  )
}
