import type { Rule } from '@/api/question'
import { texts } from '@/messages'
import { Credit } from '../Credit'
import type { EditorProps } from '../definePart'
import { FeedbackField } from '../FeedbackField'
import { PartCard, SettingNumber } from '../PartCard'
import { PieceText } from '../PieceText'
import { piecesOf } from '../pieces'
import { withRule } from '../ruleOn'
import { SchemeSettings } from '../SchemeSettings'
import { usePart } from '../useRows'
import { withRules } from '../withRules'

const words = texts.kind.highlight

/** The text with its pieces; those that are right are pressed below it, each with what it earns and says. */
export function Editor({ part, onChange, problem, media }: EditorProps) {
  const text = String(part.settings?.text ?? '')
  const rules = (part.key?.rules ?? []) as Rule<string>[]
  const pieces = piecesOf(text)
  const edit = usePart(part, onChange)
  const weighed = part.scoring?.scheme === 'weights'
  const rule = (id: string) => rules.find((one) => one.on === id)
  const isRight = (id: string) => (rule(id)?.credit ?? '0') !== '0' && !(rule(id)?.credit ?? '0').startsWith('-')
  const set = (next: Rule<string>[], place = '') => onChange(withRules(edit.current(), next), place)
  const feedback = (id: string, name: string) => (
    <FeedbackField
      withShow
      value={rule(id)?.feedback}
      label={`${texts.parts.feedbackOf}: ${name}`}
      onChange={(next) => set(withRule(rules, id, { feedback: next }), `${id} feedback`)}
    />
  )
  return (
    <PartCard
      part={part}
      onChange={onChange}
      marking={{ problem, media }}
      title={words.picks}
      problem={problem('/key/rules') ?? problem('/settings/max') ?? problem('/settings/min')}
      settings={
        <>
          <SettingNumber
            label={texts.parts.atLeast}
            value={Number(part.settings?.min ?? 0)}
            min={0}
            max={500}
            onChange={(min) => edit.put({ min: min ?? 0 })}
          />
          <SettingNumber
            label={texts.parts.atMost}
            value={(part.settings?.max as number | null | undefined) ?? null}
            min={1}
            max={500}
            empty={texts.parts.all}
            onChange={(max) => edit.put({ max })}
          />
          <SchemeSettings part={part} onChange={onChange} />
        </>
      }
    >
      <PieceText
        value={text}
        label={words.text}
        placeholder={words.textHint}
        media={media}
        make={words.make}
        prefix="w"
        wrong={problem('/settings/text')}
        onChange={(html) => edit.put({ text: html }, {}, 'text')}
      />
      <fieldset className="border-hairline border-t px-3 py-2">
        <legend className="float-left mr-2 text-caption text-second">{pieces.length > 0 ? words.right : words.none}</legend>
        <div className="flex flex-wrap gap-1">
          {pieces.map((piece) => (
            <button
              key={piece.id}
              type="button"
              aria-pressed={isRight(piece.id)}
              aria-label={words.isRight({ piece: piece.words })}
              className="min-h-7 rounded-ui border border-edge px-2 font-serif aria-pressed:border-accent aria-pressed:bg-accent-tint aria-pressed:text-accent"
              onClick={() => set(withRule(rules, piece.id, { credit: isRight(piece.id) ? '0' : '1' }))}
            >
              {piece.words}
            </button>
          ))}
        </div>
      </fieldset>
      <ul>
        {pieces
          .filter((piece) => rule(piece.id) !== undefined)
          .map((piece) => (
            <li
              key={piece.id}
              className={`flex items-baseline gap-3 border-hairline border-t px-3 py-1 ${isRight(piece.id) ? 'bg-accent-tint' : ''}`}
            >
              <span className="w-1/3 truncate font-serif">{piece.words}</span>
              {weighed ? (
                <Credit
                  value={rule(piece.id)?.credit ?? '0'}
                  label={piece.words}
                  onChange={(credit) => set(withRule(rules, piece.id, { credit }), `${piece.id} credit`)}
                />
              ) : null}
              <div className="min-w-0 flex-1">{feedback(piece.id, piece.words)}</div>
            </li>
          ))}
      </ul>
      {pieces.some((piece) => rule(piece.id) === undefined) ? (
        <div className="flex items-center gap-2 border-hairline border-t px-3 py-1 text-caption">
          <label className="flex items-center gap-2">
            {texts.parts.whoPicks}
            <select
              className="min-h-7 max-w-48 rounded-t-ui border-edge border-b-2 bg-well px-1.5"
              value=""
              onChange={(event) =>
                set(withRule(rules, event.target.value, { feedback: { html: `<p>${texts.parts.look}</p>`, show: 'both' } }))
              }
            >
              <option value="">…</option>
              {pieces
                .filter((piece) => rule(piece.id) === undefined)
                .map((piece) => (
                  <option key={piece.id} value={piece.id}>
                    {piece.words}
                  </option>
                ))}
            </select>
            {texts.parts.isTold}
          </label>
        </div>
      ) : null}
    </PartCard>
  )
}
