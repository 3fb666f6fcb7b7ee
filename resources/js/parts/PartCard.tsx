import { Settings2, Trash2 } from 'lucide-react'
import { createContext, type ReactNode, useContext, useId, useState } from 'react'
import type { Part } from '@/api/question'
import { lazily } from '@/lib/lazily'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import { Message } from '@/ui/Message'
import { PartFeedback } from './PartFeedback'

const MarkingOfPart = lazily(() => import('./marking/MarkingOfPart'), 'MarkingOfPart')

/** What the page around a part offers it. */
export type CardPlace = {
  number: number | null
  missing: boolean
  putBack: () => void
  remove: () => void
  variables: string[]
  /** How the values of the question vary. */
  values?: unknown
  gaps: string[]
  change?: ReactNode
  /** The bank the question is written in. */
  bank?: string
}
const Place = createContext<CardPlace | null>(null)
export const CardPlaceProvider = Place.Provider
export const useCardPlace = () => useContext(Place)

type Props = {
  part: Part
  onChange: (part: Part, place: string) => void
  title: string
  /** What the settings say in a few words. */
  summary?: string
  settings?: ReactNode
  problem?: string | undefined
  /** Where what people mark it by finds its problems and media; kinds that a key can mark too offer to be marked by hand. */
  marking?: { problem: (path: string) => string | undefined; media: (id: string) => string; optional?: boolean }
  children: ReactNode
}

/** A part in the page with its key: what the learner does, points, settings. */
export function PartCard({ part, onChange, title, summary, settings, problem, marking, children }: Props) {
  const place = useContext(Place)
  const [open, setOpen] = useState(false)
  const id = useId()
  const named = place?.number ? `${place.number}. ${title}` : title
  return (
    <section aria-label={named} className="rounded-ui border border-edge bg-paper">
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1 rounded-t-ui border-hairline border-b bg-page px-3 py-1.5">
        <h2 className="font-semibold">{named}</h2>
        <label className="flex items-center gap-1.5">
          <input
            type="number"
            min={0}
            step="0.5"
            aria-label={`${texts.parts.points}: ${named}`}
            className={`${control} w-16 text-right`}
            value={part.points}
            onChange={(event) => onChange({ ...part, points: Math.max(0, Number(event.target.value)) }, 'points')}
          />
          {texts.parts.points.toLowerCase()}
        </label>
        <span className="min-w-0 flex-1 truncate text-right text-caption text-quiet">{summary}</span>
        {settings ? (
          <Button look="quiet" className="!px-1" aria-expanded={open} aria-controls={id} onClick={() => setOpen(!open)}>
            <Settings2 size={16} aria-hidden="true" /> {texts.parts.settings}
          </Button>
        ) : null}
        {place?.change}
        {place ? (
          <Button
            look="quiet"
            className="!px-1"
            aria-label={texts.parts.remove({ what: named })}
            title={texts.parts.remove({ what: named })}
            onClick={place.remove}
          >
            <Trash2 size={16} aria-hidden="true" />
          </Button>
        ) : null}
      </header>
      {open ? (
        <div id={id} className="flex flex-wrap gap-x-6 gap-y-2 border-hairline border-b bg-well px-3 py-2">
          {settings}
          {marking?.optional ? <ByHand part={part} onChange={onChange} /> : null}
          <label className="flex items-center gap-2">
            {texts.parts.label}
            <input
              className={`${control} w-40`}
              maxLength={200}
              value={part.label ?? ''}
              onChange={(event) => onChange({ ...part, label: event.target.value }, 'label')}
            />
          </label>
          <PartFeedback part={part} onChange={onChange} />
        </div>
      ) : null}
      {place?.missing ? (
        <div className="p-2">
          <Message look="attention" actions={<Button onClick={place.putBack}>{texts.parts.putBack}</Button>}>
            {texts.parts.noPlace}
          </Message>
        </div>
      ) : null}
      {children}
      {marking && part.scoring?.scheme === 'person' ? <MarkingOfPart part={part} onChange={onChange} {...marking} /> : null}
      {problem ? <p className="px-3 pb-2 text-caption text-problem">{problem}</p> : null}
    </section>
  )
}

/** Whether a person marks a part that its key could mark. The key stays where it is. */
function ByHand({ part, onChange }: { part: Part; onChange: (part: Part, place: string) => void }) {
  return (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="accent-accent"
        checked={part.scoring?.scheme === 'person'}
        onChange={(event) => {
          const { scheme: _, ...rest } = part.scoring ?? {}
          onChange({ ...part, scoring: event.target.checked ? { ...rest, scheme: 'person' } : rest }, '')
        }}
      />
      {texts.rubric.byHand}
    </label>
  )
}

/** A setting that is one of a few. */
export function SettingChoice({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: string
  options: [string, string][]
  onChange: (value: string) => void
}) {
  return (
    <label className="flex items-center gap-2">
      {label}
      <select className={control} value={value} onChange={(event) => onChange(event.target.value)}>
        {options.map(([key, title]) => (
          <option key={key} value={key}>
            {title}
          </option>
        ))}
      </select>
    </label>
  )
}

export function SettingNumber({
  label,
  value,
  min,
  max,
  empty,
  onChange,
}: {
  label: string
  value: number | null
  min: number
  max: number
  empty?: string
  onChange: (value: number | null) => void
}) {
  return (
    <label className="flex items-center gap-2">
      {label}
      <input
        type="number"
        min={min}
        max={max}
        placeholder={empty}
        className={`${control} ${empty ? 'w-28' : 'w-20'}`}
        value={value ?? ''}
        onChange={(event) =>
          onChange(
            event.target.value === ''
              ? empty === undefined
                ? min
                : null
              : Math.min(max, Math.max(min, Math.round(Number(event.target.value)))),
          )
        }
      />
    </label>
  )
}
