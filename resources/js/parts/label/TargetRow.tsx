import { ArrowDown, ArrowUp, Ruler } from 'lucide-react'
import { type ReactNode, useState } from 'react'
import { texts } from '@/messages'
import { control } from '@/ui/Field'
import type { Place } from '@/ui/picture/area'
import { nameLook, numberLook } from '../placeLook'
import { RemoveButton } from '../RemoveButton'
import type { Target } from './targets'

const words = texts.kind.label

const shown = (place: Place | undefined): string => (place === undefined ? '' : typeof place === 'string' ? place : `= ${place.expr}`)
const read = (typed: string): Place => (typed.startsWith('= ') ? { expr: typed.slice(2) } : typed.trim())

type Props = {
  number: number
  target: Target
  right: string
  selected: boolean
  wrong: string | undefined
  onSelect: () => void
  onTarget: (changed: Partial<Target>, place: string) => void
  onUp: (() => void) | undefined
  onDown: (() => void) | undefined
  onRemove: () => void
  /** Accepted answers, where labels are typed. */
  children?: ReactNode
}

/** One target of the picture: its name, what is right there, where it and its box stand. */
export function TargetRow({ number, target, right, selected, wrong, onSelect, onTarget, onUp, onDown, onRemove, children }: Props) {
  const [open, setOpen] = useState(false)
  const label = target.label || words.target({ n: number })
  const step = 'min-h-7 min-w-7 rounded-ui text-quiet hover:bg-well disabled:opacity-40'
  const pair = (name: string, at: Place[], put: (at: Place[]) => void) => (
    <span className="flex items-center gap-1">
      {name}
      {(['x', 'y'] as const).map((axis, i) => (
        <label key={axis} className="flex items-center gap-1">
          {words[axis]}
          <input
            inputMode="decimal"
            aria-label={`${name} ${words[axis]}: ${label}`}
            className={`${control} w-18 text-right`}
            maxLength={200}
            value={shown(at[i])}
            onChange={(event) => put([0, 1].map((j) => (i === j ? read(event.target.value) : (at[j] ?? ''))))}
          />
        </label>
      ))}
    </span>
  )
  return (
    <li
      className={`flex flex-wrap items-center gap-x-2 gap-y-1 border-hairline border-b px-2 py-1.5 ${selected ? 'bg-well' : ''}`}
      onFocus={onSelect}
      data-area={number}
    >
      <button
        type="button"
        aria-label={`${number} ${texts.picture.select({ what: label })}`}
        onClick={onSelect}
        className={numberLook(right !== '')}
      >
        {number}
      </button>
      <input
        aria-label={texts.picture.nameOf({ what: label })}
        placeholder={words.targetHint}
        maxLength={1000}
        className={`min-w-40 flex-1 ${nameLook}`}
        value={target.label ?? ''}
        onChange={(event) => onTarget({ label: event.target.value }, 'label')}
      />
      <span className="min-w-24 font-serif text-accent">{right}</span>
      <span className="flex">
        <button
          type="button"
          aria-expanded={open}
          aria-label={texts.picture.coordinates({ what: label })}
          title={texts.picture.coordinates({ what: label })}
          className={`${step} aria-expanded:text-accent`}
          onClick={() => setOpen(!open)}
        >
          <Ruler size={14} aria-hidden="true" className="inline" />
        </button>
        <button
          type="button"
          aria-label={texts.picture.up({ what: label })}
          title={texts.picture.up({ what: label })}
          disabled={!onUp}
          className={step}
          onClick={onUp}
        >
          <ArrowUp size={14} aria-hidden="true" className="inline" />
        </button>
        <button
          type="button"
          aria-label={texts.picture.down({ what: label })}
          title={texts.picture.down({ what: label })}
          disabled={!onDown}
          className={step}
          onClick={onDown}
        >
          <ArrowDown size={14} aria-hidden="true" className="inline" />
        </button>
        <RemoveButton name={label} onClick={onRemove} />
      </span>
      {open ? (
        <div className="flex w-full flex-wrap items-center gap-x-4 gap-y-1 pl-9 text-caption text-second">
          {pair(words.target({ n: number }), target.at, (at) => onTarget({ at }, 'at'))}
          <label className="flex items-center gap-1.5">
            <input
              type="checkbox"
              checked={Boolean(target.box)}
              onChange={(event) => onTarget({ box: event.target.checked ? [...target.at] : null }, '')}
            />
            {words.line}
          </label>
          {target.box ? pair(words.box, target.box, (box) => onTarget({ box }, 'box')) : null}
        </div>
      ) : null}
      {children}
      {wrong ? <p className="w-full pl-9 text-caption text-problem">{wrong}</p> : null}
    </li>
  )
}
