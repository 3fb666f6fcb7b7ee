import { useRef, useState } from 'react'
import type { Part, Rule } from '@/api/question'
import { useSteady } from '@/lib/useSteady'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { afterRemoving } from '../afterRemoving'
import type { EditorProps } from '../definePart'
import { toHtml } from '../html'
import { moved } from '../moved'
import { PartCard } from '../PartCard'
import { pasteLines } from '../pasteLines'
import { withKey, withRule } from '../ruleOn'
import { withRows } from '../withRows'
import { withRules } from '../withRules'
import { ChoiceSettings } from './ChoiceSettings'
import { signs } from './Learner'
import { type OptionActs, OptionRow } from './OptionRow'
import { freshId, type Option, type Settings } from './optionKey'

/** Options with what each earns and says. Enter goes to the next one, pasted lines become options. */
export function Editor({ part, onChange, problem, media }: EditorProps) {
  const settings: Settings = { options: [], min: 0, max: 1, layout: 'column', labels: 'A', shuffle: false, ...part.settings }
  const { options } = settings
  const rules = (part.key?.rules ?? []) as Rule<string>[]
  const table = useRef<HTMLTableElement>(null)
  const [focused, setFocused] = useState<string | null>(null)
  const several = settings.max !== 1
  const isCards = settings.layout !== 'column' && options.some((one) => one.html.includes('<img'))
  const scheme = String(part.scoring?.scheme ?? (several ? 'all' : 'weights'))
  const sign = signs[settings.labels] ?? (() => '')
  const now = useRef({ part, onChange })
  now.current = { part, onChange }
  const put = (changed: Partial<Settings>, more: Partial<Part> = {}, place = '') =>
    now.current.onChange({ ...now.current.part, ...more, settings: { ...now.current.part.settings, ...changed } }, place)
  const setRules = (next: Rule<string>[], place = '') => now.current.onChange(withRules(now.current.part, next), place)
  const setOption = (id: string, edit: (option: Option) => Option, place = '') =>
    put({ options: options.map((one) => (one.id === id ? edit(one) : one)) }, {}, place)
  const add = () => {
    const id = freshId(options)
    setFocused(id)
    put({ options: [...options, { id, html: '' }] })
  }
  const at = (id: string) => options.findIndex((one) => one.id === id)
  const next = (i: number) => {
    if (options[i + 1]) table.current?.querySelectorAll<HTMLElement>('[data-option] [role=textbox]')[i + 1]?.focus()
    else add()
  }
  const paste = (i: number, text: string) =>
    pasteLines(text, (lines) =>
      put({
        options: withRows((now.current.part.settings?.options ?? []) as Option[], i, lines, toHtml, (rows) => ({
          id: freshId(rows),
          html: '',
        })),
      }),
    )
  const remove = (id: string, i: number) => {
    put({ options: options.filter((one) => one.id !== id) }, { key: { ...part.key, rules: rules.filter((one) => one.on !== id) } })
    afterRemoving(table.current, 'tbody tr', i)
  }
  const acts = useSteady<OptionActs>({
    text: (id, html) => setOption(id, (one) => ({ ...one, html }), `option ${id}`),
    next: (id) => next(at(id)),
    move: (id, by) => put({ options: moved(options, at(id), at(id) + by) }),
    key: (id) => setRules(withKey(rules, id, several)),
    credit: (id, credit) => setRules(withRule(rules, id, { credit }), `${id} credit`),
    feedback: (id, feedback) => setRules(withRule(rules, id, { feedback }), `${id} feedback`),
    fixed: (id) => setOption(id, ({ fixed, ...one }) => (fixed ? one : { ...one, fixed: true })),
    remove: (id) => remove(id, at(id)),
    pasteLines: (id, text) => paste(at(id), text),
  })
  return (
    <PartCard
      part={part}
      onChange={onChange}
      title={several ? texts.parts.chooses.several : texts.parts.chooses.one}
      summary={[texts.parts.layouts[settings.layout], texts.parts.labelings[settings.labels], settings.shuffle ? texts.parts.shuffled : '']
        .filter((one) => one)
        .join(', ')}
      problem={problem('/key/rules') ?? problem('/settings/max') ?? problem('/settings/min')}
      marking={{ problem, media, optional: true }}
      settings={
        <ChoiceSettings
          settings={settings}
          scheme={scheme}
          set={put}
          setScheme={(value, changed = {}) => put(changed, { scoring: { ...part.scoring, scheme: value } })}
        />
      }
    >
      <table ref={table} className={`w-full border-collapse ${isCards ? 'block' : 'max-sm:block'}`}>
        <thead className={isCards ? 'sr-only' : 'max-sm:sr-only'}>
          <tr className="text-left text-caption text-second">
            <th className="w-10 px-2 py-1 font-normal">{texts.parts.key}</th>
            <th className="px-2 py-1 font-semibold">{texts.parts.option}</th>
            <th className="w-18 px-2 py-1 text-right font-semibold">{texts.parts.credit}</th>
            <th className="w-2/5 px-2 py-1 font-semibold">{texts.parts.feedback}</th>
            <td className="w-16" />
          </tr>
        </thead>
        <tbody className={isCards ? 'grid grid-cols-[repeat(auto-fill,minmax(min(280px,100%),1fr))] gap-3 p-3' : 'max-sm:block'}>
          {options.map((option, i) => (
            <OptionRow
              key={option.id}
              option={option}
              name={`${texts.parts.option} ${String.fromCharCode(65 + (i % 26))}${i >= 26 ? Math.floor(i / 26) : ''}`}
              sign={sign(i)}
              rule={rules.find((one) => one.on === option.id)}
              first={i === 0}
              isCard={isCards}
              shuffled={settings.shuffle}
              wrong={problem(`/settings/options/${i}/html`)}
              autoFocus={focused === option.id}
              media={media}
              acts={acts}
            />
          ))}
        </tbody>
      </table>
      <footer className="border-hairline border-t px-1 py-1">
        <Button look="quiet" onClick={add}>
          {texts.parts.addOption}
        </Button>
        {problem('/settings/options') && options.length < 2 ? (
          <p className="px-2 text-caption text-problem">{problem('/settings/options')}</p>
        ) : null}
      </footer>
    </PartCard>
  )
}
