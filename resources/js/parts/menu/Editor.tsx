import { useRef } from 'react'
import type { Rule } from '@/api/question'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { afterRemoving } from '../afterRemoving'
import { Credit } from '../Credit'
import type { EditorProps } from '../definePart'
import { FeedbackField } from '../FeedbackField'
import { freshId } from '../fresh'
import { toHtml } from '../html'
import { moved } from '../moved'
import { PartCard } from '../PartCard'
import type { Row } from '../pairKey'
import { RemoveButton } from '../RemoveButton'
import { RowText } from '../RowText'
import { withKey, withRule } from '../ruleOn'
import { usePart } from '../useRows'
import { withRows } from '../withRows'
import { withRules } from '../withRules'

const words = texts.kind.menu

/** The options of a drop-down, each with what it earns and says. */
export function Editor({ part, onChange, problem, media }: EditorProps) {
  const options = (part.settings?.options ?? []) as Row[]
  const rules = (part.key?.rules ?? []) as Rule<string>[]
  const edit = usePart(part, onChange)
  const list = useRef<HTMLUListElement>(null)
  const shuffle = part.settings?.shuffle === true
  const setRules = (next: Rule<string>[], place = '') => onChange(withRules(part, next), place)
  const next = (i: number) => {
    const after = list.current?.querySelectorAll<HTMLElement>('[data-row] [role=textbox]')[i + 1]
    if (after) return after.focus()
    const id = freshId(options, 'o')
    edit.focus(id)
    edit.put({ options: [...options, { id, html: '' }] })
  }
  return (
    <PartCard
      part={part}
      onChange={onChange}
      title={words.picks}
      summary={shuffle ? texts.parts.shuffled : ''}
      problem={problem('/key/rules') ?? (options.length < 2 ? problem('/settings/options') : undefined)}
      marking={{ problem, media, optional: true }}
      settings={
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={shuffle} onChange={(event) => edit.put({ shuffle: event.target.checked })} />
          {texts.parts.shuffle}
        </label>
      }
    >
      <ul ref={list}>
        {options.map((option, i) => {
          const name = `${texts.parts.option} ${i + 1}`
          const rule = rules.find((one) => one.on === option.id)
          return (
            <li
              key={option.id}
              className={`flex items-start gap-2 border-hairline border-b px-2 py-1.5 ${rule?.credit === '1' ? 'bg-accent-tint' : ''}`}
            >
              <button
                type="button"
                aria-pressed={rule?.credit === '1'}
                aria-label={texts.parts.isKey({ option: name })}
                title={texts.parts.isKey({ option: name })}
                className="min-h-7 min-w-7 rounded-ui border border-transparent text-second hover:border-edge aria-pressed:border-accent aria-pressed:bg-accent aria-pressed:text-on-accent"
                onClick={() => setRules(withKey(rules, option.id, false))}
              >
                {rule?.credit === '1' ? '✓' : '·'}
              </button>
              <RowText
                value={option.html}
                label={name}
                media={media}
                placeholder={i === 0 ? texts.parts.firstOption : texts.parts.nextOption}
                autoFocus={edit.focused === option.id}
                wrong={problem(`/settings/options/${i}/html`)}
                onChange={(html) =>
                  edit.put({ options: options.map((one) => (one.id === option.id ? { ...one, html } : one)) }, {}, option.id)
                }
                onNext={() => next(i)}
                onMove={(by) => edit.put({ options: moved(options, i, i + by) })}
                onPasteLines={(text) =>
                  edit.lines(text, (lines) =>
                    edit.put({
                      options: withRows((edit.current().settings?.options ?? []) as Row[], i, lines, toHtml, (rows) => ({
                        id: freshId(rows, 'o'),
                        html: '',
                      })),
                    }),
                  )
                }
              />
              <Credit
                value={rule?.credit ?? '0'}
                label={name}
                onChange={(credit) => setRules(withRule(rules, option.id, { credit }), `${option.id} credit`)}
              />
              <div className="w-2/5">
                <FeedbackField
                  withShow
                  value={rule?.feedback}
                  label={`${texts.parts.feedback}: ${name}`}
                  onChange={(feedback) => setRules(withRule(rules, option.id, { feedback }), `${option.id} feedback`)}
                />
              </div>
              <RemoveButton
                name={name}
                onClick={() => {
                  edit.put(
                    { options: options.filter((one) => one.id !== option.id) },
                    { key: { ...part.key, rules: rules.filter((one) => one.on !== option.id) } },
                  )
                  afterRemoving(list.current, 'li', i)
                }}
              />
            </li>
          )
        })}
      </ul>
      <footer className="px-1 py-1">
        <Button look="quiet" onClick={() => next(options.length)}>
          {texts.parts.addOption}
        </Button>
      </footer>
    </PartCard>
  )
}
