import { useQuery } from '@tanstack/react-query'
import { type ReactNode, useState } from 'react'
import { assessmentsQuery, trayQuery } from '@/api/assembly'
import type { Blueprint, BlueprintContent, BlueprintRule, Range, Where } from '@/api/blueprints'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Chip } from '@/ui/Chip'
import { Menu } from '@/ui/Menu'
import { Gap, Pick, Sentence } from '@/ui/Sentence'
import { AddLines } from './AddLines'
import { rangeText, readRange } from './cellText'

const words = texts.blueprints.rules
const ATTRIBUTES = ['stimulus', 'topic', 'tag', 'source', 'work', 'author', 'kind'] as const
const MEASURES = ['points', 'count', 'minutes', 'words'] as const

type Props = {
  content: BlueprintContent
  stored: Blueprint
  mayWrite: boolean
  /** Rules that are part of why there is no test. */
  short: Set<string>
  onChange: (edit: (now: BlueprintContent) => BlueprintContent, place?: string) => void
}

/** What the whole test has to meet beside the tables, said in sentences. */
export function RuleList({ content, stored, mayWrite, short, onChange }: Props) {
  const [choosing, setChoosing] = useState<'some' | 'wish' | null>(null)
  const rules = content.rules ?? []
  const wishes = content.wishes ?? []
  const fresh = (taken: { id: string }[], letter: string) => {
    let n = taken.length + 1
    while (taken.some((one) => one.id === `${letter}${n}`)) n++
    return `${letter}${n}`
  }
  const add = (rule: Omit<BlueprintRule, 'id'>) =>
    onChange((now) => ({ ...now, rules: [...(now.rules ?? []), { id: fresh(now.rules ?? [], 'q'), ...rule } as BlueprintRule] }))
  const edit = (id: string, change: Partial<BlueprintRule>) =>
    onChange((now) => ({ ...now, rules: (now.rules ?? []).map((one) => (one.id === id ? { ...one, ...change } : one)) }), `rule ${id}`)
  const today = new Date().toISOString().slice(0, 10)
  const chosen = (lines: { title: string; where: Where }[]) => {
    for (const line of lines) {
      if (choosing === 'some') add({ rule: 'some', title: line.title, where: line.where, count: { min: 1 } })
      else
        onChange((now) => ({
          ...now,
          wishes: [...(now.wishes ?? []), { id: fresh(now.wishes ?? [], 'w'), title: line.title, weight: 1, where: line.where }],
        }))
    }
  }
  return (
    <section aria-label={words.title}>
      <h2 className="pb-1 font-semibold text-second">{words.title}</h2>
      <ul className="border-hairline border-t">
        <Row isShort={short.has('total')}>
          <Sentence>
            {words.total}
            {MEASURES.map((measure) => (
              <span key={measure} className="inline-flex items-baseline gap-1.5">
                <RangeGap
                  name={words.totals[measure]}
                  range={content.total?.[measure]}
                  disabled={!mayWrite}
                  onRange={(range) =>
                    onChange((now) => {
                      const { [measure]: _, ...others } = now.total ?? {}
                      return { ...now, total: range ? { ...others, [measure]: range } : others }
                    }, `total ${measure}`)
                  }
                />
                {words.totals[measure]}
              </span>
            ))}
          </Sentence>
        </Row>
        {rules.map((rule) => (
          <Row
            key={rule.id}
            isShort={short.has(rule.id)}
            {...(mayWrite
              ? { onRemove: () => onChange((now) => ({ ...now, rules: (now.rules ?? []).filter((one) => one.id !== rule.id) })) }
              : {})}
          >
            <Said rule={rule} stored={stored} disabled={!mayWrite} onEdit={(change) => edit(rule.id, change)} />
          </Row>
        ))}
        {wishes.map((wish) => (
          <Row
            key={wish.id}
            isShort={false}
            {...(mayWrite
              ? { onRemove: () => onChange((now) => ({ ...now, wishes: (now.wishes ?? []).filter((one) => one.id !== wish.id) })) }
              : {})}
          >
            <Sentence>
              {words.prefer({ what: wish.title ?? '' })}
              <NumberGap
                name={words.weight}
                value={wish.weight ?? 1}
                min={0}
                max={1000}
                disabled={!mayWrite}
                onValue={(weight) =>
                  onChange(
                    (now) => ({ ...now, wishes: (now.wishes ?? []).map((one) => (one.id === wish.id ? { ...one, weight } : one)) }),
                    `wish ${wish.id}`,
                  )
                }
              />
            </Sentence>
          </Row>
        ))}
      </ul>
      {mayWrite ? (
        <div className="py-2">
          <Menu.Root
            button={
              <Button look="quiet" className="-ml-3">
                {words.add}
              </Button>
            }
          >
            <Menu.Item onSelect={() => add({ rule: 'at_most', attribute: 'stimulus', n: 3 })}>{words.offers.at_most}</Menu.Item>
            <Menu.Item onSelect={() => add({ rule: 'all_or_none' })}>{words.offers.all_or_none}</Menu.Item>
            <Menu.Item onSelect={() => add({ rule: 'unused_since', since: today })}>{words.offers.unused_since}</Menu.Item>
            <Menu.Item onSelect={() => add({ rule: 'not_in', assessments: [] })}>{words.offers.not_in}</Menu.Item>
            <Menu.Item onSelect={() => add({ rule: 'some', title: words.pictures, where: { has: ['figure'] }, count: { min: 1 } })}>
              {words.offers.pictures}
            </Menu.Item>
            <Menu.Item onSelect={() => setChoosing('some')}>{words.offers.some}</Menu.Item>
            <Menu.Item onSelect={() => add({ rule: 'must_include', questions: [] })}>{words.offers.must_include}</Menu.Item>
            <Menu.Item onSelect={() => add({ rule: 'exclude', questions: [] })}>{words.offers.exclude}</Menu.Item>
            <Menu.Item onSelect={() => add({ rule: 'never_together', questions: [] })}>{words.offers.never_together}</Menu.Item>
            <Menu.Item onSelect={() => add({ rule: 'key_spread', n: 1 })}>{words.offers.key_spread}</Menu.Item>
            <Menu.Item onSelect={() => add({ rule: 'mean_difficulty', min: 2.5, max: 3.5 })}>{words.offers.mean_difficulty}</Menu.Item>
            <Menu.Line />
            <Menu.Item onSelect={() => setChoosing('wish')}>{words.offers.wish}</Menu.Item>
          </Menu.Root>
        </div>
      ) : null}
      {choosing ? (
        <AddLines
          blueprint={stored.id}
          banks={stored.content.banks ?? []}
          title={choosing === 'some' ? words.someTitle : words.wishTitle}
          go={words.addGo}
          of="tag"
          become={choosing === 'some' ? 'rules' : 'wishes'}
          onAdd={chosen}
          onClose={() => setChoosing(null)}
        />
      ) : null}
    </section>
  )
}

function Row({ isShort, onRemove, children }: { isShort: boolean; onRemove?: () => void; children: ReactNode }) {
  return (
    <li className={`flex min-h-9 items-center gap-2 border-hairline border-b py-1 ${isShort ? 'bg-attention-tint' : ''}`}>
      {children}
      {onRemove ? (
        <Button look="quiet" onClick={onRemove}>
          {words.remove}
        </Button>
      ) : null}
    </li>
  )
}

type SaidProps = { rule: BlueprintRule; stored: Blueprint; disabled: boolean; onEdit: (change: Partial<BlueprintRule>) => void }

/** One rule as a sentence with places to fill. */
function Said({ rule, stored, disabled, onEdit }: SaidProps) {
  const number = (name: string, value: number, min: number) => (
    <NumberGap name={name} value={value} min={min} max={500} disabled={disabled} onValue={(n) => onEdit({ n })} />
  )
  switch (rule.rule) {
    case 'at_most':
      return (
        <Sentence>
          {words.atMost} {number(words.howMany, rule.n ?? 1, 1)} {words.withSame}
          <Pick
            aria-label={words.ofWhat}
            disabled={disabled}
            value={rule.attribute ?? 'stimulus'}
            options={ATTRIBUTES.map((one): [string, string] => [one, words.attributes[one]])}
            onChange={(attribute) => onEdit({ attribute })}
          />
        </Sentence>
      )
    case 'all_or_none':
      return <Sentence>{words.allOrNone}</Sentence>
    case 'unused_since':
      return (
        <Sentence>
          {words.unusedSince}
          <input
            type="date"
            aria-label={words.day}
            className="min-h-7 rounded-t-ui border-edge border-b-2 bg-well px-1.5"
            disabled={disabled}
            value={rule.since ?? ''}
            onChange={(event) => (event.target.value === '' ? undefined : onEdit({ since: event.target.value }))}
          />
        </Sentence>
      )
    case 'key_spread':
      return (
        <Sentence>
          {words.keySpread} {number(words.howMany, rule.n ?? 1, 0)}
        </Sentence>
      )
    case 'mean_difficulty':
      return (
        <Sentence>
          {words.mean}
          <NumberGap name={words.from} value={rule.min ?? 1} min={1} max={5} disabled={disabled} onValue={(min) => onEdit({ min })} />
          {words.and}
          <NumberGap name={words.to} value={rule.max ?? 5} min={1} max={5} disabled={disabled} onValue={(max) => onEdit({ max })} />
        </Sentence>
      )
    case 'some':
      return (
        <Sentence>
          <RangeGap
            name={words.howMany}
            range={rule.count}
            disabled={disabled}
            onRange={(count) => onEdit(count ? { count } : { count: {} })}
          />
          {words.someOf({ what: rule.title ?? '' })}
        </Sentence>
      )
    case 'not_in':
      return <NotIn rule={rule} disabled={disabled} onEdit={onEdit} />
    default:
      return <Named rule={rule} stored={stored} disabled={disabled} onEdit={onEdit} />
  }
}

function NotIn({ rule, disabled, onEdit }: Omit<SaidProps, 'stored'>) {
  const rows = useQuery(assessmentsQuery).data ?? []
  const chosen = rule.assessments ?? []
  const others = rows.filter((row) => !chosen.includes(row.id)).slice(0, 200)
  return (
    <Sentence>
      {words.notIn}
      {chosen.map((id) => {
        const title = rows.find((row) => row.id === id)?.title ?? words.goneAssessment
        return (
          <Chip
            key={id}
            {...(disabled
              ? {}
              : {
                  removeName: words.removeOne({ name: title }),
                  onRemove: () => onEdit({ assessments: chosen.filter((one) => one !== id) }),
                })}
          >
            {title}
          </Chip>
        )
      })}
      {disabled ? null : (
        <Pick
          aria-label={words.addAssessment}
          value=""
          options={[['', words.addAssessment], ...others.map((row): [string, string] => [row.id, row.title])]}
          onChange={(id) => (id === '' ? undefined : onEdit({ assessments: [...chosen, id] }))}
        />
      )}
    </Sentence>
  )
}

function Named({ rule, stored, disabled, onEdit }: SaidProps) {
  const tray = useQuery(trayQuery).data ?? []
  const chosen = rule.questions ?? []
  const names = new Map(Object.entries(stored.questions))
  for (const row of tray) names.set(row.id, row.title)
  const fromTray = tray.map((row) => row.id).filter((id) => !chosen.includes(id))
  return (
    <Sentence>
      {words.named[rule.rule as keyof typeof words.named] ?? rule.rule}
      {chosen.map((id) => {
        const title = names.get(id) ?? words.goneQuestion
        return (
          <Chip
            key={id}
            {...(disabled
              ? {}
              : {
                  removeName: words.removeOne({ name: title }),
                  onRemove: () => onEdit({ questions: chosen.filter((one) => one !== id) }),
                })}
          >
            {title}
          </Chip>
        )
      })}
      {disabled ? null : fromTray.length > 0 ? (
        <Button look="quiet" onClick={() => onEdit({ questions: [...chosen, ...fromTray] })}>
          {words.fromTray({ n: fromTray.length })}
        </Button>
      ) : chosen.length === 0 ? (
        <span className="text-caption text-second">{words.fromTrayAbout}</span>
      ) : null}
    </Sentence>
  )
}

type RangeProps = { name: string; range: Range | undefined; disabled: boolean; onRange: (range: Range | undefined) => void }

/** A range as it is typed: 38-42, 40, 3+, ≤50. What cannot be read is not taken. */
function RangeGap({ name, range, disabled, onRange }: RangeProps) {
  const [typed, setTyped] = useState<string | null>(null)
  const isWrong = typed !== null && typed.trim() !== '' && readRange(typed) === null
  return (
    <Gap
      aria-label={name}
      aria-invalid={isWrong || undefined}
      title={isWrong ? texts.blueprints.rangeWrong : undefined}
      placeholder={words.any}
      disabled={disabled}
      maxLength={20}
      value={typed ?? rangeText(range)}
      onChange={(event) => {
        setTyped(event.target.value)
        const read = readRange(event.target.value)
        if (event.target.value.trim() === '') onRange(undefined)
        else if (read) onRange(read)
      }}
      onBlur={() => (isWrong ? undefined : setTyped(null))}
    />
  )
}

type NumberProps = { name: string; value: number; min: number; max: number; disabled: boolean; onValue: (value: number) => void }

function NumberGap({ name, value, min, max, disabled, onValue }: NumberProps) {
  const [typed, setTyped] = useState<string | null>(null)
  const read = typed === null ? value : Number(typed.replace(',', '.'))
  const isWrong = typed !== null && (typed.trim() === '' || !Number.isFinite(read) || read < min || read > max)
  return (
    <Gap
      aria-label={name}
      aria-invalid={isWrong || undefined}
      title={isWrong ? words.between({ min, max }) : undefined}
      disabled={disabled}
      inputMode="decimal"
      maxLength={8}
      value={typed ?? String(value)}
      onChange={(event) => {
        setTyped(event.target.value)
        const next = Number(event.target.value.replace(',', '.'))
        if (event.target.value.trim() !== '' && Number.isFinite(next) && next >= min && next <= max) onValue(next)
      }}
      onBlur={() => (isWrong ? undefined : setTyped(null))}
    />
  )
}
