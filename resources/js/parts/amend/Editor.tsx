import { useState } from 'react'
import type { Rule } from '@/api/question'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Gap, Sentence } from '@/ui/Sentence'
import { Credit } from '../Credit'
import type { EditorProps } from '../definePart'
import { freshId } from '../fresh'
import { PartCard, SettingChoice } from '../PartCard'
import { PieceText } from '../PieceText'
import { piecesOf } from '../pieces'
import { RemoveButton } from '../RemoveButton'
import { RuleFeedback } from '../RuleFeedback'
import { usePart } from '../useRows'
import { withRules } from '../withRules'
import { CompareTexts } from './CompareTexts'

const words = texts.kind.amend

type On = { answer: string; text?: string[]; piece: string }

/** The text with its faults, and for each what is right instead, what that earns and says. */
export function Editor({ part, onChange, problem, media }: EditorProps) {
  const text = String(part.settings?.text ?? '')
  const rules = (part.key?.rules ?? []) as Rule<On>[]
  const pieces = piecesOf(text)
  const edit = usePart(part, onChange)
  const [comparing, setComparing] = useState(false)
  const scheme = String(part.scoring?.scheme ?? 'each')
  const set = (next: Rule<On>[], place = '') => onChange(withRules(edit.current(), next), place)
  const change = (id: string, changed: Partial<Rule<On>>, place: string) =>
    set(
      rules.map((rule) => (rule.id === id ? { ...rule, ...changed } : rule)),
      `${id} ${place}`,
    )
  const scoring = (name: string, usual: string, label: string) => (
    <span className="flex items-baseline gap-1.5">
      {label}
      <Credit
        value={String(part.scoring?.[name] ?? usual)}
        label={label}
        onChange={(credit) => onChange({ ...part, scoring: { ...part.scoring, [name]: credit } }, name)}
      />
    </span>
  )
  return (
    <PartCard
      part={part}
      onChange={onChange}
      marking={{ problem, media }}
      title={words.mends}
      problem={rules.length === 0 ? problem('/key/rules') : undefined}
      settings={
        <>
          <SettingChoice
            label={words.scheme}
            value={scheme}
            options={Object.entries(words.schemes)}
            onChange={(value) => onChange({ ...part, scoring: { ...part.scoring, scheme: value } }, '')}
          />
          {scheme === 'each' ? scoring('cost', '1', words.cost) : null}
          {scheme === 'all' || scheme === 'person' ? null : scoring('find', '0', words.onlyFound)}
          <p className="w-full text-caption text-quiet">{words.formulas[scheme]}</p>
        </>
      }
    >
      <PieceText
        value={text}
        label={words.text}
        placeholder={words.textHint}
        media={media}
        make={words.make}
        prefix="f"
        wrong={problem('/settings/text')}
        onChange={(html) => edit.put({ text: html }, {}, 'text')}
        onMade={(id, html) => {
          const now = (edit.current().key?.rules ?? []) as Rule<On>[]
          const made = { id: freshId(now, 'r'), on: { answer: 'is', text: [], piece: id }, credit: '1' }
          edit.put({ text: html }, { key: { ...edit.current().key, rules: [...now, made] } })
        }}
      />
      <ol>
        {rules.map((rule, i) => {
          const fault = pieces.find((piece) => piece.id === rule.on.piece)?.words ?? words.gone
          const label = words.instead({ fault })
          const wrong = problem(`/key/rules/${i}`)
          return (
            <li key={rule.id} className={`border-hairline border-t px-3 py-1.5 ${rule.credit === '1' ? 'bg-accent-tint' : ''}`}>
              <div className="flex items-start gap-2">
                <Sentence>
                  <span>{label}</span>
                  <Gap
                    aria-label={label}
                    wide
                    className="font-serif"
                    placeholder={texts.parts.wordings}
                    value={(rule.on.text ?? []).join(' / ')}
                    onChange={(event) =>
                      change(rule.id, { on: { ...rule.on, text: event.target.value === '' ? [] : event.target.value.split(' / ') } }, 'on')
                    }
                  />
                  <span>
                    {words.isRight}, {texts.parts.earns}
                  </span>
                  <Credit value={rule.credit} label={label} onChange={(credit) => change(rule.id, { credit }, 'credit')} />
                </Sentence>
                <RemoveButton name={label} onClick={() => set(rules.filter((one) => one !== rule))} />
              </div>
              <RuleFeedback
                value={rule.feedback}
                label={`${texts.parts.feedbackOf}: ${label}`}
                wrong={wrong}
                onChange={(feedback) => change(rule.id, { feedback }, 'feedback')}
              />
            </li>
          )
        })}
      </ol>
      <footer className="border-hairline border-t px-1 py-1">
        <Button look="quiet" onClick={() => setComparing(true)}>
          {words.compare} …
        </Button>
      </footer>
      {comparing ? (
        <CompareTexts
          faulty={new DOMParser().parseFromString(text.replace(/<\/p>/g, '\n</p>'), 'text/html').body.textContent?.trim() ?? ''}
          onClose={() => setComparing(false)}
          onMade={(html, made) => {
            setComparing(false)
            edit.put({ text: html }, { key: { ...edit.current().key, rules: made } })
          }}
        />
      ) : null}
    </PartCard>
  )
}
