import { useState } from 'react'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import type { EditorProps } from './definePart'
import { FeedbackField } from './FeedbackField'
import { toWords } from './html'
import { type PairRule, type Row, withPairRule } from './pairKey'
import { withRules } from './withRules'

type Props = Pick<EditorProps, 'part' | 'onChange'> & { firsts: Row[]; seconds: Row[] }

/** What is said when two things are brought together, rightly or not: one line for each pair that has something to say. */
export function PairFeedback({ part, onChange, firsts, seconds }: Props) {
  const rules = (part.key?.rules ?? []) as PairRule[]
  const [open, setOpen] = useState(false)
  const [adding, setAdding] = useState<[string, string]>(['', ''])
  const said = rules.filter((rule) => rule.feedback)
  const words = (rows: Row[], id: string) => toWords(rows.find((row) => row.id === id)?.html ?? '') || id
  const set = (on: [string, string], feedback: PairRule['feedback']) =>
    onChange(withRules(part, withPairRule(rules, ...on, { feedback: feedback ?? '' })), `${on.join(' ')} feedback`)
  const pick = (at: 0 | 1, rows: Row[]) => (
    <select
      aria-label={at === 0 ? texts.parts.pairFirst : texts.parts.pairSecond}
      className="min-h-7 max-w-48 rounded-t-ui border-edge border-b-2 bg-well px-1.5"
      value={adding[at]}
      onChange={(event) => setAdding(at === 0 ? [event.target.value, adding[1]] : [adding[0], event.target.value])}
    >
      <option value="">…</option>
      {rows.map((row) => (
        <option key={row.id} value={row.id}>
          {words(rows, row.id)}
        </option>
      ))}
    </select>
  )
  return (
    <section className="border-hairline border-t px-2 py-1">
      <Button look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
        {texts.parts.pairFeedback({ n: said.length })}
      </Button>
      {open ? (
        <ul className="flex flex-col gap-1 px-1 pb-2">
          {said.map((rule) => (
            <li key={rule.id} className="flex items-baseline gap-2 text-caption">
              <span className="text-second">{`${words(firsts, rule.on[0])} – ${words(seconds, rule.on[1])}`}</span>
              <div className="min-w-0 flex-1">
                <FeedbackField
                  withShow
                  value={rule.feedback}
                  label={`${texts.parts.feedbackOf}: ${words(firsts, rule.on[0])} – ${words(seconds, rule.on[1])}`}
                  onChange={(feedback) => set(rule.on, feedback)}
                />
              </div>
            </li>
          ))}
          <li className="flex flex-wrap items-baseline gap-2 text-caption">
            {texts.parts.whoJoins} {pick(0, firsts)} – {pick(1, seconds)}
            <Button
              look="quiet"
              aria-disabled={adding[0] === '' || adding[1] === ''}
              onClick={() => {
                if (adding[0] === '' || adding[1] === '') return
                set(adding, { html: `<p>${texts.parts.look}</p>`, show: 'both' })
                setAdding(['', ''])
              }}
            >
              {texts.parts.isTold}
            </Button>
          </li>
        </ul>
      ) : null}
    </section>
  )
}
