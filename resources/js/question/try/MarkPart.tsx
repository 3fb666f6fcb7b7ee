import { type KeyboardEvent, useRef } from 'react'
import { flushSync } from 'react-dom'
import type { Criterion, Marks, Part, PartMarking, RubricLevel } from '@/api/question'
import { decimal } from '@/lib/format'
import { texts } from '@/messages'
import { toWords } from '@/parts/html'
import { schemeOf, writePoints } from '@/parts/marking/levels'
import { markedOf, rangeOf } from '@/parts/marking/MarkChoices'
import { htmlTree } from '@/ui/htmlTree'
import { RichTree } from '@/ui/RichTree'
import { Gap } from '@/ui/Sentence'

const words = texts.marking
type PartMarks = Marks[string]
/** A level, or that a point was not given. */
type Choice = { id: string; level: RubricLevel | null }

type Props = {
  part: Part
  marks: PartMarks
  /** What the core made of the marks so far. */
  marking: PartMarking | undefined
  media?: (id: string) => string
  onChange: (marks: PartMarks) => void
}

/** Marks a part by its rubric: the number of a level chooses it and goes on to the next criterion. */
export function MarkPart({ part, marks, marking, media, onChange }: Props) {
  const list = useRef<HTMLDivElement>(null)
  const rubric = part.key?.rubric
  const criteria = rubric ? markedOf(rubric) : []
  const isPoint = rubric !== undefined && rubric !== null && schemeOf(rubric) === 'checklist'
  const set = (criterion: string, mark: { level?: string; points?: string } | undefined) => {
    const { [criterion]: _, ...rest } = marks.criteria ?? {}
    onChange({ ...marks, criteria: mark === undefined ? rest : { ...rest, [criterion]: mark } })
  }
  const choices = (one: Criterion): Choice[] => [
    ...one.levels.map((level) => ({ id: level.id, level })),
    ...(isPoint ? [{ id: '', level: null }] : []),
  ]
  const chosen = (one: Criterion) => {
    const mark = marks.criteria?.[one.id]
    return mark === undefined
      ? undefined
      : (mark.level ?? (mark.points === '0' ? '' : marking?.criteria.find((it) => it.id === one.id)?.level))
  }
  const choose = (one: Criterion, choice: Choice) => set(one.id, choice.level === null ? { points: '0' } : { level: choice.id })
  const keys = (event: KeyboardEvent, one: Criterion, at: number) => {
    if (event.altKey || event.ctrlKey || event.metaKey || event.target instanceof HTMLInputElement) return
    const all = choices(one)
    const byNumber = /^[1-9]$/.test(event.key) ? all.filter((it) => it.level !== null)[Number(event.key) - 1] : undefined
    const none = event.key === '0' ? all.find((it) => it.level === null) : undefined
    const picked = byNumber ?? none
    if (picked) {
      event.preventDefault()
      // at once, so that the next key already meets the next criterion
      flushSync(() => choose(one, picked))
      const stays = rangeOf(picked.level ?? undefined) !== null // its points are typed first
      list.current
        ?.querySelectorAll<HTMLElement>('[role=radiogroup]')
        [stays ? at : at + 1]?.querySelector<HTMLElement>(stays ? 'input' : '[role=radio][tabindex="0"]')
        ?.focus()
      return
    }
    const by = { ArrowUp: -1, ArrowLeft: -1, ArrowDown: 1, ArrowRight: 1 }[event.key]
    if (by === undefined) return
    event.preventDefault()
    const now = all.findIndex((it) => it.id === chosen(one))
    const to = all[(Math.max(now, by > 0 ? -1 : 0) + by + all.length) % all.length]
    if (!to) return
    choose(one, to)
    const radios = list.current?.querySelectorAll<HTMLElement>('[role=radiogroup]')[at]?.querySelectorAll<HTMLElement>('[role=radio]')
    radios?.[all.indexOf(to)]?.focus()
  }
  if (!rubric || criteria.length === 0)
    return (
      <p className="flex items-baseline gap-2">
        {words.points}
        <Gap
          aria-label={words.pointsOf({ of: part.points })}
          inputMode="decimal"
          placeholder="?"
          value={marks.points ?? ''}
          onChange={(event) => {
            const { points: _, ...rest } = marks
            onChange(event.target.value === '' ? rest : { ...rest, points: event.target.value.replace(',', '.') })
          }}
        />
        {words.of({ of: part.points })}
      </p>
    )
  return (
    <div ref={list} className="flex flex-col gap-3">
      {rubric.html ? (
        <div className="feedback-text text-caption text-second">
          <RichTree nodes={htmlTree(rubric.html)} {...(media ? { media } : {})} />
        </div>
      ) : null}
      <p className="text-caption text-quiet">{isPoint ? words.keysOfPoints : words.keys}</p>
      {criteria.map((one, at) => {
        const named = one.title || texts.rubric.criterionNumber({ n: at + 1 })
        const all = choices(one)
        const now = chosen(one)
        const earned = marking?.criteria.find((it) => it.id === one.id)
        const level = one.levels.find((it) => it.id === marks.criteria?.[one.id]?.level)
        const range = rangeOf(level)
        return (
          <section key={one.id} aria-label={named}>
            <p className="flex items-baseline gap-2">
              <strong className="flex-1 font-semibold">{named}</strong>
              <span className="text-caption text-second">
                {earned?.earned == null
                  ? words.open
                  : earned.counts
                    ? decimal(earned.earned)
                    : words.leftOut({ n: decimal(earned.earned) })}
              </span>
            </p>
            <div role="radiogroup" aria-label={named} className="flex flex-col" onKeyDown={(event) => keys(event, one, at)}>
              {all.map((choice, i) => {
                const on = now === choice.id
                const said = choice.level ? toWords(choice.level.html) : ''
                return (
                  // biome-ignore lint/a11y/useSemanticElements: a radio of the browser has no number keys
                  <button
                    key={choice.id}
                    type="button"
                    role="radio"
                    aria-checked={on}
                    tabIndex={on || (now === undefined && i === 0) ? 0 : -1}
                    className={`flex items-baseline gap-2 border-hairline border-b px-2 py-1 text-left ${on ? 'bg-accent-tint' : 'hover:bg-well'}`}
                    onClick={() => (on ? set(one.id, undefined) : choose(one, choice))}
                  >
                    <kbd
                      className={`min-w-5 rounded-ui border text-center text-caption ${on ? 'border-accent bg-accent text-on-accent' : 'border-edge text-second'}`}
                    >
                      {choice.level ? i + 1 : 0}
                    </kbd>
                    <span className="min-w-0 flex-1">
                      {choice.level?.title ? <strong className="font-semibold">{choice.level.title} </strong> : null}
                      <span className="text-second">
                        {choice.level
                          ? said || (isPoint ? texts.rubric.given({ n: writePoints(choice.level.points) }) : '')
                          : texts.rubric.notGiven}
                      </span>
                    </span>
                    <span className="tabular-nums">{choice.level && !isPoint ? writePoints(choice.level.points) : ''}</span>
                  </button>
                )
              })}
              {range ? (
                <span className="flex items-baseline gap-1 px-2 pt-1">
                  {words.points}
                  <Gap
                    aria-label={texts.rubric.pointsFrom({ from: range.from, to: range.to, what: named })}
                    inputMode="decimal"
                    placeholder={`${range.from}–${range.to}`}
                    value={marks.criteria?.[one.id]?.points ?? ''}
                    onChange={(event) => {
                      const typed = event.target.value.replace(',', '.')
                      set(one.id, { ...(level ? { level: level.id } : {}), ...(typed === '' ? {} : { points: typed }) })
                    }}
                  />
                </span>
              ) : null}
            </div>
            {isPoint && (one.accept?.length || one.reject?.length) ? (
              <p className="px-2 text-caption text-second">
                {one.accept?.length ? `${texts.rubric.accept}: ${one.accept.join('; ')}. ` : ''}
                {one.reject?.length ? `${texts.rubric.reject}: ${one.reject.join('; ')}.` : ''}
              </p>
            ) : null}
          </section>
        )
      })}
    </div>
  )
}
