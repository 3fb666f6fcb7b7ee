import { type KeyboardEvent, type ReactNode, useRef } from 'react'
import type { Rule } from '@/api/question'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Sentence } from '@/ui/Sentence'
import { afterRemoving } from './afterRemoving'
import { Credit } from './Credit'
import type { EditorProps } from './definePart'
import { moved } from './moved'
import { PartCard } from './PartCard'
import { RemoveButton } from './RemoveButton'
import { RuleFeedback } from './RuleFeedback'
import { withRules } from './withRules'

type Props<On> = EditorProps & {
  title: string
  summary?: string
  settings?: ReactNode
  /** Above the rules. */
  head?: ReactNode
  fresh: On
  sentence: (on: On, set: (on: On) => void, label: string) => ReactNode
}

/** Rules of a typed answer as sentences with places to fill. Enter begins the next one. */
export function RuleList<On>({ part, onChange, problem, media, title, summary, settings, head, fresh, sentence }: Props<On>) {
  const rules = (part.key?.rules ?? []) as Rule<On>[]
  const list = useRef<HTMLOListElement>(null)
  const set = (changed: Rule<On>[], place: string) => onChange(withRules(part, changed), place)
  const replace = (id: string, changed: Partial<Rule<On>>, place: string) =>
    set(
      rules.map((rule) => (rule.id === id ? { ...rule, ...changed } : rule)),
      `${id} ${place}`,
    )
  const add = (after = rules.length) => {
    let n = rules.length + 1
    while (rules.some((rule) => rule.id === `r${n}`)) n++
    const fresh_ = { id: `r${n}`, on: fresh, credit: rules.length === 0 ? '1' : '0' }
    set([...rules.slice(0, after), fresh_, ...rules.slice(after)], '')
    requestAnimationFrame(() => list.current?.querySelectorAll<HTMLElement>('li')[after]?.querySelector<HTMLElement>('input')?.focus())
  }
  const keys = (event: KeyboardEvent, i: number) => {
    const inField = event.target instanceof HTMLInputElement
    if (event.key === 'Enter' && inField && !event.ctrlKey && !event.metaKey) {
      event.preventDefault()
      add(i + 1)
    } else if (event.altKey && !event.shiftKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault()
      const to = i + (event.key === 'ArrowUp' ? -1 : 1)
      set(moved(rules, i, to), '')
    }
  }
  return (
    <PartCard
      part={part}
      onChange={onChange}
      title={title}
      {...(summary ? { summary } : {})}
      marking={{ problem, media, optional: true }}
      settings={settings}
      problem={rules.length === 0 ? problem('/key/rules') : undefined}
    >
      {head}
      <ol ref={list}>
        {rules.map((rule, i) => {
          const label = `${texts.parts.theAnswer} ${i + 1}`
          const wrong = problem(`/key/rules/${i}`)
          return (
            <li
              key={rule.id}
              onKeyDown={(event) => keys(event, i)}
              className={`border-hairline border-b px-3 py-2 ${rule.credit === '1' ? 'bg-accent-tint' : ''}`}
            >
              <div className="flex items-start gap-2">
                <Sentence>
                  <span>{texts.parts.theAnswer}</span>
                  {sentence(rule.on, (on) => replace(rule.id, { on }, 'on'), label)}
                  <span>{texts.parts.earns}</span>
                  <Credit value={rule.credit} label={label} onChange={(credit) => replace(rule.id, { credit }, 'credit')} />
                </Sentence>
                <RemoveButton
                  name={label}
                  onClick={() => {
                    set(
                      rules.filter((one) => one.id !== rule.id),
                      '',
                    )
                    afterRemoving(list.current, 'li', i)
                  }}
                />
              </div>
              <RuleFeedback
                value={rule.feedback}
                label={`${texts.parts.feedback}: ${label}`}
                wrong={wrong}
                onChange={(feedback) => replace(rule.id, { feedback }, 'feedback')}
              />
            </li>
          )
        })}
      </ol>
      <footer className="px-1 py-1">
        <Button look="quiet" onClick={() => add()}>
          {texts.parts.addRule}
        </Button>
      </footer>
    </PartCard>
  )
}
