import { texts } from '@/messages'
import { type Num, typed } from '@/ui/graph/graph'
import { Gap, Pick } from '@/ui/Sentence'

const words = texts.kind.graph

export type AxisJson = { from?: Num; to?: Num; step?: Num; minor?: Num | null; name?: string; unit?: string; labels?: string }

export const shownNum = typed
export const numOf = (words: string): Num =>
  words.trimStart().startsWith('=') ? { expr: words.trimStart().slice(1).trim() } : words.trim().replace('−', '-')

type Props = { axis: 'x' | 'y' | 'line'; value: AxisJson; onChange: (value: AxisJson, place: string) => void }

/** An axis in one sentence. */
export function Axis({ axis, value, onChange }: Props) {
  const named = words.axis({ axis })
  const number = (field: 'from' | 'to' | 'step', usual: string) => (
    <Gap
      aria-label={`${named}: ${words[field]}`}
      className="font-serif"
      value={shownNum(value[field] ?? usual)}
      onChange={(event) => onChange({ ...value, [field]: numOf(event.target.value) }, `${axis} ${field}`)}
    />
  )
  return (
    <div className="flex flex-wrap items-baseline gap-x-2 gap-y-1">
      <span className="w-14 font-semibold">{named}</span>
      {words.from} {number('from', '-5')} {words.to} {number('to', '5')} {words.step} {number('step', '1')} {words.minor}
      <Gap
        aria-label={`${named}: ${words.minor}`}
        placeholder={words.none}
        value={shownNum(value.minor)}
        onChange={(event) => {
          const { minor: _, ...rest } = value
          onChange(event.target.value.trim() ? { ...rest, minor: numOf(event.target.value) } : rest, `${axis} minor`)
        }}
      />
      {words.axisName}
      <Gap
        aria-label={`${named}: ${words.axisName}`}
        value={value.name ?? ''}
        maxLength={1000}
        onChange={(event) => onChange({ ...value, name: event.target.value }, `${axis} name`)}
      />
      <Gap
        aria-label={`${named}: ${words.unit}`}
        placeholder={words.unit}
        value={value.unit ?? ''}
        maxLength={60}
        onChange={(event) => onChange({ ...value, unit: event.target.value }, `${axis} unit`)}
      />
      {words.labels}
      <Pick
        aria-label={`${named}: ${words.labels}`}
        value={value.labels ?? 'numbers'}
        options={Object.entries(words.labelled)}
        onChange={(labels) => onChange({ ...value, labels }, '')}
      />
    </div>
  )
}
