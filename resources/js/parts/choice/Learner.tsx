import type { Rule } from '@/api/question'
import { percent } from '@/lib/format'
import { texts } from '@/messages'
import { RichTree } from '@/ui/RichTree'
import type { LearnerProps, OptionShown } from '../definePart'
import { toWords } from '../html'

export const signs: Record<string, (i: number) => string> = {
  A: (i) => String.fromCharCode(65 + (i % 26)),
  a: (i) => String.fromCharCode(97 + (i % 26)),
  '1': (i) => String(i + 1),
  i: (i) => ['i', 'ii', 'iii', 'iv', 'v', 'vi', 'vii', 'viii', 'ix', 'x', 'xi', 'xii'][i] ?? String(i + 1),
  none: () => '',
}

/** An option may have no text while the question is being written. */
const isEmpty = (option: OptionShown) => option.body.every((node) => Array.isArray(node) && node.length <= 2)

/** Side by side they are cards, one below the other rows. */
const cards = ['row', 'grid']
const frames: Record<string, string> = {
  column: 'border-hairline border-t',
  row: 'flex flex-wrap gap-2',
  grid: 'grid grid-cols-[repeat(auto-fit,minmax(min(180px,100%),1fr))] gap-2',
}

/** Options to pick from; with the key shown, each says what it earns and what it answers. */
export function Learner({ part, response, onChange, disabled, keyOf, media }: LearnerProps) {
  const options = part.settings.options as OptionShown[]
  const single = part.settings.max === 1
  const chosen = (response?.chosen as string[] | undefined) ?? []
  const sign = signs[part.settings.labels as string] ?? (() => '')
  const layout = part.settings.layout as string
  const rules = (keyOf?.key?.rules ?? []) as Rule<string>[]
  const pick = (id: string, on: boolean) =>
    onChange({ chosen: single ? (on ? [id] : []) : on ? [...chosen, id] : chosen.filter((one) => one !== id) })
  return (
    <fieldset className={`my-3 ${frames[layout] ?? ''}`} disabled={disabled}>
      <legend className="sr-only">{part.label || (single ? texts.parts.chooses.one : texts.parts.chooses.several)}</legend>
      {options.map((option, i) => {
        const rule = rules.find((one) => one.on === option.id)
        const right = keyOf !== undefined && rule?.credit === '1'
        return (
          <label
            key={option.id}
            className={`flex cursor-pointer items-start gap-3 border-hairline px-2 py-2 ${cards.includes(layout) ? 'rounded-ui border' : 'border-b'} ${right ? 'bg-accent-tint' : 'hover:bg-well'}`}
          >
            <input
              type={single ? 'radio' : 'checkbox'}
              name={`choice-${part.id}`}
              className="mt-1.5 size-4 flex-none accent-(--color-accent)"
              checked={chosen.includes(option.id)}
              aria-label={isEmpty(option) ? texts.parts.optionNamed({ sign: signs.A?.(i) ?? '' }) : undefined}
              onChange={(event) => pick(option.id, event.target.checked)}
            />
            {sign(i) === '' ? null : (
              <span aria-hidden="true" className="w-4 flex-none font-serif text-question text-second">
                {sign(i)}
              </span>
            )}
            <span className="min-w-0 flex-1">
              <RichTree
                nodes={option.body.map((node) => (Array.isArray(node) && node[0] === 'p' ? ['span', {}, ...node.slice(2)] : node))}
                media={media}
              />
              {keyOf && rule?.feedback ? (
                <span className="block font-sans text-caption text-second">{toWords(rule.feedback.html)}</span>
              ) : null}
            </span>
            {keyOf ? (
              <span className={`flex-none font-sans text-caption ${right ? 'font-semibold text-accent' : 'text-quiet'}`}>
                {right ? texts.parts.key : percent(rule?.credit ?? keyOf.key?.default ?? '0')}
              </span>
            ) : null}
          </label>
        )
      })}
    </fieldset>
  )
}
