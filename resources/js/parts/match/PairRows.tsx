import { useRef } from 'react'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { afterRemoving } from '../afterRemoving'
import { Credit } from '../Credit'
import type { EditorProps } from '../definePart'
import { toHtml } from '../html'
import { moved } from '../moved'
import { type PairRule, withPairRule } from '../pairKey'
import { RemoveButton } from '../RemoveButton'
import { RowText } from '../RowText'
import { usePart } from '../useRows'
import { withRules } from '../withRules'
import type { Side } from './Editor'
import { type PairRow, pairRows, withFreshPair, withoutRow, withPairs } from './paired'

const words = texts.kind.match

/** One pair in each row, then what belongs to none. Enter goes from left to right to the next pair. */
export function PairRows({ part, onChange, problem, media }: EditorProps) {
  const left = (part.settings?.left ?? []) as Side[]
  const right = (part.settings?.right ?? []) as Side[]
  const rules = (part.key?.rules ?? []) as PairRule[]
  const edit = usePart(part, onChange)
  const list = useRef<HTMLUListElement>(null)
  const rows = pairRows(left, right, rules)
  const weighed = part.scoring?.scheme === 'weights'
  const take = (next: { left: Side[]; right: Side[]; rules: PairRule[] }) =>
    edit.put({ left: next.left, right: next.right }, { key: { ...edit.current().key, rules: next.rules } })
  const add = (after: number, onlyRight: boolean) => {
    const made = withFreshPair({ left, right, rules }, after, onlyRight)
    edit.focus(made.id)
    take(made)
  }
  const on = (field: HTMLElement | null | undefined, otherwise: () => void) => (field ? field.focus() : otherwise())
  const fields = () => [...(list.current?.querySelectorAll<HTMLElement>('[data-row] [role=textbox]') ?? [])]
  const go = () => {
    const all = fields()
    on(all[all.indexOf(document.activeElement as HTMLElement) + 1], () => add(left.length, false))
  }
  const side = (row: PairRow, name: 'left' | 'right', label: string) => {
    const item = row[name]
    const all = name === 'left' ? left : right
    if (!item) return <span className="flex-1 text-caption text-quiet">{words.distractor}</span>
    return (
      <RowText
        value={item.html}
        label={label}
        media={media}
        placeholder={label}
        autoFocus={edit.focused === item.id}
        wrong={problem(`/settings/${name}/${all.indexOf(item)}`)}
        onChange={(html) => edit.put({ [name]: all.map((one) => (one.id === item.id ? { ...one, html } : one)) }, {}, item.id)}
        onNext={go}
        {...(row.left
          ? { onMove: (by: -1 | 1) => edit.put({ left: moved(left, left.indexOf(row.left as Side), left.indexOf(row.left as Side) + by) }) }
          : {})}
        onPasteLines={(text) =>
          edit.lines(text, (lines, pairs) => {
            const now = edit.current()
            const lists = {
              left: (now.settings?.left ?? []) as Side[],
              right: (now.settings?.right ?? []) as Side[],
              rules: (now.key?.rules ?? []) as PairRule[],
            }
            const alone = lines.map((line): [string | null, string | null] => (name === 'left' ? [line, null] : [null, line]))
            take(withPairs(lists, rows.indexOf(row), name === 'left' && pairs ? pairs : alone, toHtml))
          })
        }
      />
    )
  }
  return (
    <>
      <ul ref={list}>
        {rows.map((row, i) => {
          const rule = row.left && row.right ? rules.find((one) => one.on[0] === row.left?.id && one.on[1] === row.right?.id) : undefined
          const number = row.left ? i + 1 : right.indexOf(row.right as Side) + 1
          const name = row.left ? words.row({ n: number }) : words.partner({ n: number })
          return (
            <li key={row.key} className={`flex items-start gap-2 border-hairline border-b px-2 py-1.5 ${row.left ? '' : 'bg-page'}`}>
              {side(row, 'left', words.row({ n: i + 1 }))}
              <span aria-hidden="true" className="mt-3.5 w-6 flex-none border-edge border-t-2" />
              {side(row, 'right', words.partner({ n: i + 1 }))}
              {weighed && rule ? (
                <Credit
                  value={rule.credit}
                  label={name}
                  onChange={(credit) => onChange(withRules(part, withPairRule(rules, ...rule.on, { credit })), `${rule.id} credit`)}
                />
              ) : null}
              <RemoveButton
                name={name}
                onClick={() => {
                  take(withoutRow({ left, right, rules }, row))
                  afterRemoving(list.current, 'li', i)
                }}
              />
            </li>
          )
        })}
      </ul>
      <footer className="flex gap-2 px-1 py-1">
        <Button look="quiet" onClick={() => add(left.length, false)}>
          {words.addPair}
        </Button>
        <Button look="quiet" onClick={() => add(left.length, true)}>
          {words.addPartner}
        </Button>
      </footer>
    </>
  )
}
