import { ArrowDown, ArrowUp, Ruler } from 'lucide-react'
import { type ReactNode, useState } from 'react'
import type { Feedback } from '@/api/question'
import { texts } from '@/messages'
import type { Area, Size } from '@/ui/picture/area'
import { AreaFields } from './AreaFields'
import { Credit } from './Credit'
import { FeedbackField } from './FeedbackField'
import { nameLook, numberLook } from './placeLook'
import { RemoveButton } from './RemoveButton'

const words = texts.picture

type Props = {
  number: number
  name: string
  hint: string
  label: string
  selected: boolean
  right: boolean
  /** Missing where every area of the list earns something of its own. */
  onRight?: () => void
  credit: string | null
  feedback: Feedback | undefined
  area: Area
  size: Size
  /** What an author may have overlooked in drawing it. */
  remark: string
  wrong: string | undefined
  onSelect: () => void
  onName: (name: string) => void
  onCredit: (credit: string) => void
  onFeedback: (feedback: Feedback) => void
  onArea: (area: Area) => void
  /** Missing where it cannot go further. */
  onUp: (() => void) | undefined
  onDown: (() => void) | undefined
  onRemove: () => void
  children?: ReactNode
}

/** One area of a picture in the list, with everything that can be done with it. */
export function AreaRow({ number, name, label, selected, right, credit, area, size, ...row }: Props) {
  const [open, setOpen] = useState(false)
  const ground = selected ? 'bg-well' : right ? 'bg-accent-tint' : ''
  const step = 'min-h-7 min-w-7 rounded-ui text-quiet hover:bg-well disabled:opacity-40'
  return (
    <li
      className={`flex flex-wrap items-center gap-x-2 gap-y-1 border-hairline border-b px-2 py-1.5 ${ground}`}
      onFocus={row.onSelect}
      data-area={number}
    >
      <button
        type="button"
        {...(row.onRight
          ? {
              'aria-pressed': right,
              onClick: row.onRight,
              'aria-label': `${number} ${words.isRight({ what: label })}`,
              title: words.isRight({ what: label }),
            }
          : { 'aria-label': `${number} ${words.select({ what: label })}`, onClick: row.onSelect })}
        className={`hover:border-accent ${numberLook(right)}`}
      >
        {number}
      </button>
      <input
        aria-label={words.nameOf({ what: label })}
        placeholder={row.hint}
        maxLength={1000}
        className={`w-44 ${nameLook}`}
        value={name}
        onChange={(event) => row.onName(event.target.value)}
      />
      {credit === null ? null : <Credit value={credit} label={label} onChange={row.onCredit} />}
      <div className="min-w-40 flex-1">
        <FeedbackField withShow value={row.feedback} label={`${texts.parts.feedbackOf}: ${label}`} onChange={row.onFeedback} />
      </div>
      <span className="flex">
        <button
          type="button"
          aria-expanded={open}
          aria-label={words.coordinates({ what: label })}
          title={words.coordinates({ what: label })}
          className={`${step} aria-expanded:text-accent`}
          onClick={() => setOpen(!open)}
        >
          <Ruler size={14} aria-hidden="true" className="inline" />
        </button>
        <button
          type="button"
          aria-label={words.up({ what: label })}
          title={words.up({ what: label })}
          disabled={!row.onUp}
          className={step}
          onClick={row.onUp}
        >
          <ArrowUp size={14} aria-hidden="true" className="inline" />
        </button>
        <button
          type="button"
          aria-label={words.down({ what: label })}
          title={words.down({ what: label })}
          disabled={!row.onDown}
          className={step}
          onClick={row.onDown}
        >
          <ArrowDown size={14} aria-hidden="true" className="inline" />
        </button>
        <RemoveButton name={label} onClick={row.onRemove} />
      </span>
      {open ? (
        <div className="w-full pl-9">
          <AreaFields area={area} size={size} label={label} onChange={row.onArea} />
        </div>
      ) : null}
      {row.children}
      {row.remark ? <p className="w-full pl-9 text-attention text-caption">{row.remark}</p> : null}
      {row.wrong ? <p className="w-full pl-9 text-caption text-problem">{row.wrong}</p> : null}
    </li>
  )
}
