import { useState } from 'react'
import { texts } from '@/messages'
import { Gap, Pick } from '@/ui/Sentence'
import type { EditorProps } from '../definePart'
import { SettingChoice, SettingNumber } from '../PartCard'
import { RuleList } from '../RuleList'

type Wording = string | { expr: string }
export type TypedOn = { answer: string; text?: Wording[]; slips?: number; pattern?: string; case?: string; anchored?: boolean }

export const written = (wording: Wording): string => (typeof wording === 'string' ? wording : `= ${wording.expr}`)
const read = (typed: string): Wording => (typed.startsWith('= ') ? { expr: typed.slice(2) } : typed)

export function Editor(props: EditorProps) {
  const settings = (props.part.settings ?? {}) as {
    width?: number
    lines?: number
    placeholder?: string
    normalise?: Record<string, string>
  }
  const set = (changed: Record<string, unknown>, place = '') =>
    props.onChange({ ...props.part, settings: { ...settings, ...changed } }, place)
  const normalise = settings.normalise ?? {}
  return (
    <RuleList<TypedOn>
      {...props}
      title={texts.parts.types}
      summary={Object.entries(texts.parts.normalising)
        .filter(([name]) => normalise[name] !== undefined)
        .map(([name, { options }]) => options[normalise[name] ?? ''] ?? '')
        .join(', ')}
      settings={
        <>
          {Object.entries(texts.parts.normalising).map(([name, { title, options }]) => (
            <SettingChoice
              key={name}
              label={title}
              value={normalise[name] ?? ''}
              options={[['', texts.parts.asQuestion], ...Object.entries(options)]}
              onChange={(value) => {
                const { [name]: _, ...rest } = normalise
                set({ normalise: value === '' ? rest : { ...rest, [name]: value } })
              }}
            />
          ))}
          <SettingNumber
            label={texts.parts.width}
            value={settings.width ?? 14}
            min={1}
            max={200}
            onChange={(width) => set({ width: width ?? 14 })}
          />
          <span className="flex items-center gap-2">
            {texts.parts.placeholder}
            <Gap
              aria-label={texts.parts.placeholder}
              value={settings.placeholder ?? ''}
              onChange={(event) => set({ placeholder: event.target.value }, 'placeholder')}
            />
          </span>
        </>
      }
      fresh={{ answer: 'is', text: [] }}
      sentence={(on, set, label) => (
        <>
          <Pick
            aria-label={label}
            value={on.answer}
            options={Object.entries(texts.parts.answers)}
            onChange={(answer) =>
              set(
                answer === 'otherwise'
                  ? { answer }
                  : answer === 'shape'
                    ? { answer, pattern: on.pattern ?? '' }
                    : {
                        answer,
                        text: on.text ?? [],
                        ...(on.case ? { case: on.case } : {}),
                        ...(answer === 'slips' ? { slips: on.slips ?? 1 } : {}),
                      },
              )
            }
          />
          {on.answer === 'slips' ? (
            <>
              <Gap
                aria-label={`${label}: ${texts.parts.slips}`}
                inputMode="numeric"
                value={String(on.slips ?? 1)}
                onChange={(event) =>
                  set({ ...on, slips: Math.min(10, Math.max(1, Number(event.target.value.replace(/\D/g, '').slice(-2)) || 1)) })
                }
              />
              <span>{texts.parts.slipsOf({ n: on.slips ?? 1 })}</span>
            </>
          ) : null}
          {on.answer === 'otherwise' ? null : on.answer === 'shape' ? (
            <Gap
              wide
              aria-label={`${label}: ${texts.parts.shape}`}
              className="font-mono"
              maxLength={500}
              value={on.pattern ?? ''}
              onChange={(event) => set({ ...on, pattern: event.target.value })}
            />
          ) : (
            <Wordings label={`${label}: ${texts.parts.words}`} value={on.text ?? []} onChange={(text) => set({ ...on, text })} />
          )}
          {on.answer === 'otherwise' ? null : (
            <Pick
              aria-label={`${label}: ${texts.parts.capitals}`}
              value={on.case ?? ''}
              options={Object.entries(texts.parts.cases)}
              onChange={(value) => {
                const { case: _, ...rest } = on
                set(value === '' ? rest : { ...rest, case: value })
              }}
            />
          )}
        </>
      )}
    />
  )
}

/** Several wordings with " / " between them; what is being typed is kept as it is until the field is left. */
function Wordings({ value, onChange, label }: { value: Wording[]; onChange: (text: Wording[]) => void; label: string }) {
  const [typed, setTyped] = useState<string | null>(null)
  const shown = value.map(written).join(' / ')
  const current = typed !== null && parsed(typed).map(written).join(' / ') === shown ? typed : shown
  return (
    <Gap
      wide
      aria-label={label}
      className="font-serif"
      placeholder={texts.parts.wordings}
      value={current}
      onChange={(event) => {
        setTyped(event.target.value)
        onChange(parsed(event.target.value))
      }}
      onBlur={() => setTyped(null)}
    />
  )
}

const parsed = (typed: string): Wording[] =>
  typed
    .split(' / ')
    .map((one) => one.trim())
    .filter((one) => one !== '')
    .map(read)
