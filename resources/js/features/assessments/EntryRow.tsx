import { GripVertical } from 'lucide-react'
import type { KeyboardEvent } from 'react'
import type { Entry, Fact } from '@/api/assembly'
import { ENTRY, isDraw, poolOf } from '@/lib/assessment'
import { type Dragged, dragSource, dropTarget } from '@/lib/drag'
import { list } from '@/lib/format'
import { texts } from '@/messages'
import { kindWords } from '@/parts/words'
import { DetailCaptions } from '@/question/details/DetailCaptions'
import { setNames } from './settings/setNames'
import type { Carry, Place } from './useCarry'

type Props = {
  entry: Entry
  fact: Fact | undefined
  /** Its number, or those of a draw; null for a page of text, which is not numbered. */
  number: string | null
  section: string
  at: number
  active: boolean
  selected: boolean
  ids: string[]
  carry: Carry
  canTake: (dragged: Dragged) => boolean
  onAim: (place: Place, dragged: Dragged) => void
  mayWrite: boolean
  /** The bank the assessment is kept in; only others are named. */
  home: string
  onActive: () => void
  onSelect: () => void
  onPoints: (points: number | null) => void
  onStep: (by: -1 | 1) => void
}

/** One question in the outline: its handle, number, title, state and points. */
export function EntryRow(props: Props) {
  const {
    entry,
    fact,
    number,
    section,
    at,
    active,
    selected,
    ids,
    carry,
    canTake,
    onAim,
    mayWrite,
    home,
    onActive,
    onSelect,
    onPoints,
    onStep,
  } = props
  const draw = isDraw(entry) ? entry : null
  const title = isDraw(entry)
    ? entry.title || texts.assembly.draw
    : fact?.title || entry.variation?.title || (fact?.hidden ? texts.assembly.hidden : '')
  const set = setNames(entry.override)
  const held = carry.held?.ids.includes(entry.id) ?? false
  const some = selected && ids.length > 1 ? ids : [entry.id]
  const keys = (event: KeyboardEvent) => {
    const { key } = event
    if (key !== 'Enter' && !(carry.held && ['ArrowDown', 'ArrowUp', 'Escape'].includes(key))) return
    event.preventDefault()
    event.stopPropagation()
    if (key === 'ArrowDown') carry.step(1)
    else if (key === 'ArrowUp') carry.step(-1)
    else if (key === 'Escape') carry.leave()
    else if (carry.held) carry.putDown()
    else carry.pickUp(some, { section, at })
  }
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: Alt and arrows move what has the focus inside
    <div
      className={`flex items-start gap-1.5 border-l-3 py-1.5 pr-2 pl-1 ${active ? 'border-l-accent bg-paper' : 'border-l-transparent hover:bg-well'} ${selected ? 'bg-accent-tint' : ''} ${held ? 'opacity-50' : ''}`}
      onKeyDown={(event) => {
        if (!mayWrite || !event.altKey || event.shiftKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
        event.preventDefault()
        onStep(event.key === 'ArrowUp' ? -1 : 1)
      }}
      ref={dropTarget({ takes: canTake, onOver: ({ y }, dragged) => onAim({ section, at: y > 0.5 ? at + 1 : at }, dragged) })}
    >
      {mayWrite ? (
        <>
          <button
            type="button"
            ref={dragSource({
              data: { type: ENTRY, id: entry.id },
              onStart: () => carry.pickUp(some, { section, at }),
            })}
            aria-label={texts.assembly.move({ title })}
            aria-pressed={held}
            title={texts.assembly.move({ title })}
            className="min-h-7 w-6 flex-none cursor-grab rounded-ui text-quiet hover:text-accent"
            onClick={(event) => {
              if (event.detail === 0) return // by keyboard, which keys handles
              if (carry.held) carry.putDown({ section, at })
              else carry.pickUp(some, { section, at })
            }}
            onKeyDown={keys}
          >
            <GripVertical size={16} aria-hidden="true" className="mx-auto" />
          </button>
          <input
            type="checkbox"
            aria-label={texts.assembly.select({ title })}
            checked={selected}
            onChange={onSelect}
            className="mt-2 size-4 flex-none accent-accent"
          />
        </>
      ) : null}
      <button type="button" onClick={onActive} aria-current={active} className="-outline-offset-2 min-w-0 flex-1 px-1 py-0.5 text-left">
        <span className="flex gap-2">
          <span className="min-w-6 flex-none text-right text-quiet tabular-nums">{number}</span>
          <span
            className={`min-w-0 flex-1 truncate ${fact?.gone ? 'text-quiet line-through' : fact?.hidden ? 'text-quiet' : 'font-semibold'}`}
          >
            {title}
          </span>
        </span>
        <span className="ml-8 flex flex-wrap gap-x-2 text-caption text-second">
          {fact?.gone ? <strong className="text-problem">{texts.assembly.gone}</strong> : null}
          {fact?.changed ? <strong className="text-attention">{texts.assembly.changed}</strong> : null}
          {set.length > 0 ? <span className="text-attention">{list(set)}</span> : null}
          {fact?.varied ? <span className="text-information">{texts.assembly.varied}</span> : null}
          {draw ? (
            <span className="text-information">{texts.assembly.drawn({ n: draw.draw, pool: fact?.pool ?? poolOf(draw).length })}</span>
          ) : null}
          {fact?.findings?.length ? <strong className="text-attention">{texts.assembly.lookAt({ n: fact.findings.length })}</strong> : null}
          {!isDraw(entry) && entry.follow === 'pinned' && entry.revision ? (
            <span>{texts.assembly.pinned({ n: entry.revision })}</span>
          ) : null}
          {fact && !fact.gone && !fact.hidden && !fact.complete ? (
            <span className="text-attention">{texts.assembly.incomplete}</span>
          ) : null}
          <span>{fact && !fact.gone && !draw ? kindWords(fact.kinds) : ''}</span>
          {fact && !fact.gone && !draw ? <DetailCaptions facts={fact} /> : null}
          {fact?.bank && fact.bank !== home ? <span className="text-quiet">{fact.bank_name}</span> : null}
        </span>
      </button>
      {number === null ? null : (
        <input
          aria-label={texts.assembly.points({ title })}
          title={entry.points === undefined || entry.points === null ? texts.assembly.points({ title }) : texts.assembly.ownPoints}
          type="number"
          min={0}
          max={100000}
          step="any"
          disabled={!mayWrite}
          value={entry.points ?? ''}
          placeholder={String(fact?.points ?? '')}
          onChange={(event) => onPoints(event.target.value === '' ? null : Number(event.target.value))}
          className={`w-14 flex-none rounded-ui border bg-transparent px-1 py-0.5 text-right tabular-nums [appearance:textfield] placeholder:text-second hover:border-edge focus:bg-paper ${entry.points === undefined || entry.points === null ? 'border-transparent' : 'border-attention'}`}
        />
      )}
    </div>
  )
}
