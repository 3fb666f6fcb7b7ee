import { useState } from 'react'
import { texts } from '@/messages'
import { Gap, Pick } from '@/ui/Sentence'
import { type NumberOn, read, type Tolerance, type Value, written } from './numberOn'

/** What a number must be, as places of a sentence. */
export function NumberRule({ on, set, label }: { on: NumberOn; set: (on: NumberOn) => void; label: string }) {
  const tolerance = on.tolerance
  return (
    <>
      <Pick
        aria-label={label}
        value={on.answer}
        options={Object.entries(texts.parts.numberAnswers)}
        onChange={(answer) => {
          const first = on.values?.[0] ?? on.value ?? on.from ?? ''
          const kept = tolerance ? { tolerance } : {}
          set(
            answer === 'value'
              ? { answer, value: first, ...kept }
              : answer === 'set'
                ? { answer, values: first === '' ? [] : [first], ...kept }
                : answer === 'range'
                  ? { answer, from: first, to: '', ends: 'both' }
                  : { answer },
          )
        }}
      />
      {on.answer === 'value' ? (
        <Gap
          aria-label={`${label}: ${texts.parts.value}`}
          className="font-serif"
          inputMode="text"
          value={written(on.value)}
          onChange={(event) => set({ ...on, value: read(event.target.value) })}
        />
      ) : null}
      {on.answer === 'set' ? (
        <Values label={`${label}: ${texts.parts.values}`} value={on.values ?? []} onChange={(values) => set({ ...on, values })} />
      ) : null}
      {on.answer === 'range' ? (
        <>
          <Gap
            aria-label={`${label}: ${texts.parts.from}`}
            className="font-serif"
            value={written(on.from)}
            onChange={(event) => set({ ...on, from: event.target.value === '' ? null : read(event.target.value) })}
          />
          <span>{texts.parts.to}</span>
          <Gap
            aria-label={`${label}: ${texts.parts.to}`}
            className="font-serif"
            value={written(on.to)}
            onChange={(event) => set({ ...on, to: event.target.value === '' ? null : read(event.target.value) })}
          />
          <Pick
            aria-label={`${label}: ${texts.parts.endsName}`}
            value={on.ends ?? 'both'}
            options={Object.entries(texts.parts.ends)}
            onChange={(ends) => set({ ...on, ends })}
          />
        </>
      ) : null}
      {on.answer === 'value' || on.answer === 'set' ? (
        <Margin tolerance={tolerance} label={label} onChange={(next) => set(withTolerance(on, next))} />
      ) : null}
    </>
  )
}

const withTolerance = ({ tolerance: _, ...on }: NumberOn, next: Tolerance | undefined): NumberOn => (next ? { ...on, tolerance: next } : on)

/** How near a number must be. */
function Margin({
  tolerance,
  label,
  onChange,
}: {
  tolerance: Tolerance | undefined
  label: string
  onChange: (tolerance: Tolerance | undefined) => void
}) {
  const kind = tolerance?.kind ?? 'exact'
  return (
    <>
      <Pick
        aria-label={`${label}: ${texts.parts.tolerance}`}
        value={kind}
        options={Object.entries(texts.parts.tolerances)}
        onChange={(next) =>
          onChange(
            next === 'exact'
              ? undefined
              : next === 'absolute' || next === 'percent'
                ? { kind: next, width: tolerance?.width ?? '1' }
                : { kind: next, digits: tolerance?.digits ?? 2 },
          )
        }
      />
      {kind === 'absolute' || kind === 'percent' ? (
        <>
          <Gap
            aria-label={`${label}: ${texts.parts.margin}`}
            value={written(tolerance?.width)}
            onChange={(event) => onChange({ kind, width: read(event.target.value) })}
          />
          {kind === 'percent' ? <span>%</span> : null}
        </>
      ) : null}
      {kind === 'places' || kind === 'figures' ? (
        <>
          <Gap
            aria-label={`${label}: ${texts.parts.digits}`}
            inputMode="numeric"
            value={String(tolerance?.digits ?? 0)}
            onChange={(event) => onChange({ ...tolerance, kind, digits: Math.min(30, Number(event.target.value.replace(/\D/g, '')) || 0) })}
          />
          <span>{texts.parts.digitsOf({ n: tolerance?.digits ?? 0, kind })}</span>
          <label className="flex items-center gap-1">
            <input
              type="checkbox"
              checked={tolerance?.written === true}
              onChange={(event) => onChange({ kind, digits: tolerance?.digits ?? 0, ...(event.target.checked ? { written: true } : {}) })}
            />
            {texts.parts.writtenSo}
          </label>
          {kind === 'figures' && tolerance?.written ? (
            <label className="flex items-center gap-1" title={texts.parts.zerosHelp}>
              <input
                type="checkbox"
                checked={tolerance.zeros === 'count'}
                onChange={(event) =>
                  onChange({ kind, digits: tolerance.digits ?? 0, written: true, ...(event.target.checked ? { zeros: 'count' } : {}) })
                }
              />
              {texts.parts.zerosCount}
            </label>
          ) : null}
        </>
      ) : null}
    </>
  )
}

function Values({ value, onChange, label }: { value: Value[]; onChange: (values: Value[]) => void; label: string }) {
  const [typed, setTyped] = useState<string | null>(null)
  const shown = value.map(written).join(' / ')
  const current = typed !== null && parsed(typed).map(written).join(' / ') === shown ? typed : shown
  return (
    <Gap
      aria-label={label}
      className="font-serif"
      placeholder="1 / 2"
      value={current}
      onChange={(event) => {
        setTyped(event.target.value)
        onChange(parsed(event.target.value))
      }}
      onBlur={() => setTyped(null)}
    />
  )
}

const parsed = (typed: string): Value[] =>
  typed
    .split(' / ')
    .map((one) => one.trim())
    .filter((one) => one !== '')
    .map(read)
