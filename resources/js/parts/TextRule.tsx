import { useState } from 'react'
import { texts } from '@/messages'
import { Gap, Pick } from '@/ui/Sentence'

type Wording = string | { expr: string }
export type TypedOn = { answer: string; text?: Wording[]; slips?: number; pattern?: string; case?: string; anchored?: boolean }

export const written = (wording: Wording): string => (typeof wording === 'string' ? wording : `= ${wording.expr}`)
const read = (typed: string): Wording => (typed.startsWith('= ') ? { expr: typed.slice(2) } : typed)

type Props = { on: TypedOn; set: (on: TypedOn) => void; label: string }

/** What a typed answer must be, as a sentence with places to fill: "is … / contains … / is within 1 spelling mistake of …". */
export function TextRule({ on, set, label }: Props) {
  return (
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
