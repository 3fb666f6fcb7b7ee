import type { Feedback } from '@/api/question'
import { texts } from '@/messages'
import { Gap, Sentence } from '@/ui/Sentence'
import { Credit } from '../Credit'
import { FeedbackField } from '../FeedbackField'

const words = texts.parts.figures

export type Figures = { digits: number; zeros?: string; credit?: string; feedback?: Feedback }

/** With how many significant figures a number is to be written, and what it earns otherwise. */
export function FigureSettings({ figures, onChange }: { figures: Figures | undefined; onChange: (figures: Figures | undefined) => void }) {
  return (
    <div className="flex w-full">
      <Sentence>
        <label className="flex items-baseline gap-1.5">
          <input
            type="checkbox"
            className="accent-accent"
            checked={figures !== undefined}
            onChange={(event) => onChange(event.target.checked ? { digits: 3, credit: '1/2' } : undefined)}
          />
          {words.asked}
        </label>
        {figures ? (
          <>
            <Gap
              aria-label={words.digits}
              inputMode="numeric"
              value={String(figures.digits)}
              onChange={(event) =>
                onChange({ ...figures, digits: Math.min(30, Math.max(1, Number(event.target.value.replace(/\D/g, '')) || 1)) })
              }
            />
            <label className="flex items-baseline gap-1.5" title={texts.parts.zerosHelp}>
              <input
                type="checkbox"
                className="accent-accent"
                checked={figures.zeros === 'count'}
                onChange={(event) => {
                  const { zeros: _, ...rest } = figures
                  onChange(event.target.checked ? { ...rest, zeros: 'count' } : rest)
                }}
              />
              {words.zeros}
            </label>
            <span>{words.otherwise}</span>
            <Credit label={words.otherwise} value={figures.credit ?? '0'} onChange={(credit) => onChange({ ...figures, credit })} />
            <span>{texts.parts.units.ofIt}</span>
            <div className="min-w-48 flex-1">
              <FeedbackField
                label={`${texts.parts.feedback}: ${words.asked}`}
                value={figures.feedback}
                onChange={(feedback) => onChange({ ...figures, feedback })}
              />
            </div>
          </>
        ) : null}
      </Sentence>
    </div>
  )
}
