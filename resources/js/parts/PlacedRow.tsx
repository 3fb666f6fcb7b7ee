import { texts } from '@/messages'
import { Credit } from './Credit'
import { FeedbackField } from './FeedbackField'
import { isRight, type PairRule, type Row, rightOf, withPair, withPairRule } from './pairKey'
import { RemoveButton } from './RemoveButton'
import { RowText } from './RowText'

export type Placed = Row & { uses?: number | null }

/** How a kind calls the thing and the places it goes to. */
type Words = {
  belongs: string
  distractor: string
  gone: string
  uses: string
  anyTimes: string
  times: (values: { n: number }) => string
  right: (values: { tile: string; gap: number }) => string
}

type Props = {
  words: Words
  name: string
  tile: Placed
  /** The places it can go to. */
  gaps: string[]
  rules: PairRule[]
  weighed: boolean
  autoFocus: boolean
  wrong: string | undefined
  media: (id: string) => string
  onText: (html: string) => void
  onUses: (uses: number | null) => void
  onRules: (rules: PairRule[], place: string) => void
  onNext: () => void
  onMove: (by: -1 | 1) => void
  onPasteLines: (text: string) => boolean
  onRemove: () => void
}

/** A tile or label: its words, how often it may be used, the places it is right at, and what each of those earns and says. */
export function PlacedRow({ words, name, tile, gaps, rules, weighed, autoFocus, wrong, media, ...on }: Props) {
  const own = rules.filter((rule) => rule.on[1] === tile.id)
  const gone = own.filter((rule) => !gaps.includes(rule.on[0]))
  const placed = own.some(isRight)
  return (
    <li className={`flex flex-wrap items-start gap-x-3 gap-y-1 border-hairline border-b px-2 py-1.5 ${placed ? 'bg-accent-tint' : ''}`}>
      <div className="min-w-40 flex-1">
        <RowText
          value={tile.html}
          label={name}
          media={media}
          autoFocus={autoFocus}
          wrong={wrong}
          onChange={on.onText}
          onNext={on.onNext}
          onMove={on.onMove}
          onPasteLines={on.onPasteLines}
        />
      </div>
      <fieldset className="flex min-h-7 flex-wrap items-center gap-1">
        <legend className="sr-only">{`${words.belongs}: ${name}`}</legend>
        <span aria-hidden="true" className="text-caption text-second">
          {placed || gone.length > 0 ? words.belongs : words.distractor}
        </span>
        {gaps.map((gap, i) => (
          <label key={gap} className="cursor-pointer">
            <input
              type="checkbox"
              className="peer sr-only"
              aria-label={words.right({ tile: name, gap: i + 1 })}
              checked={rightOf(rules, gap).includes(tile.id)}
              onChange={(event) => on.onRules(withPair(rules, gap, tile.id, event.target.checked), '')}
            />
            <span className="inline-flex min-h-7 min-w-7 items-center justify-center rounded-ui border border-edge px-1.5 text-caption text-second peer-checked:border-accent peer-checked:bg-accent peer-checked:text-on-accent peer-focus-visible:outline-2 peer-focus-visible:outline-accent">
              {i + 1}
            </span>
          </label>
        ))}
        {gone.map((rule) => (
          <button
            key={rule.id}
            type="button"
            className="min-h-7 rounded-ui border border-problem px-1.5 text-caption text-problem"
            aria-label={texts.parts.remove({ what: words.gone })}
            onClick={() =>
              on.onRules(
                rules.filter((one) => one !== rule),
                '',
              )
            }
          >
            {words.gone} <span aria-hidden="true">×</span>
          </button>
        ))}
      </fieldset>
      <select
        aria-label={`${words.uses}: ${name}`}
        title={words.uses}
        className="min-h-7 rounded-ui border border-transparent bg-transparent text-caption text-second [field-sizing:content] hover:border-edge"
        value={tile.uses === null ? '' : String(tile.uses ?? 1)}
        onChange={(event) => on.onUses(event.target.value === '' ? null : Number(event.target.value))}
      >
        {[...new Set([1, 2, 3, 4, 5, tile.uses ?? 1])]
          .sort((a, b) => a - b)
          .map((times) => (
            <option key={times} value={times}>
              {words.times({ n: times })}
            </option>
          ))}
        <option value="">{words.anyTimes}</option>
      </select>
      <RemoveButton name={name} onClick={on.onRemove} />
      <ul className="flex w-full flex-col gap-0.5">
        {own
          .filter((rule) => gaps.includes(rule.on[0]) && isRight(rule))
          .map((rule) => {
            const label = `${name}, ${words.belongs.toLowerCase()} ${gaps.indexOf(rule.on[0]) + 1}`
            return (
              <li key={rule.id} className="flex items-baseline gap-2 text-caption">
                <span className="text-second">
                  {gaps.length > 1 ? `(${gaps.indexOf(rule.on[0]) + 1}) ` : ''}
                  {weighed ? texts.parts.earns : texts.parts.feedbackRule}
                </span>
                {weighed ? (
                  <Credit
                    value={rule.credit}
                    label={label}
                    onChange={(credit) => on.onRules(withPairRule(rules, ...rule.on, { credit }), `${rule.id} credit`)}
                  />
                ) : null}
                <div className="min-w-0 flex-1">
                  <FeedbackField
                    withShow
                    value={rule.feedback}
                    label={`${texts.parts.feedbackOf}: ${label}`}
                    onChange={(feedback) => on.onRules(withPairRule(rules, ...rule.on, { feedback }), `${rule.id} feedback`)}
                  />
                </div>
              </li>
            )
          })}
      </ul>
    </li>
  )
}
