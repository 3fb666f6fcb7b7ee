import { useRef } from 'react'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import type { EditorProps } from '../definePart'
import { freshId } from '../fresh'
import { PairFeedback } from '../PairFeedback'
import { PartCard } from '../PartCard'
import { type PairRule, type Row, without } from '../pairKey'
import { RemoveButton } from '../RemoveButton'
import { RowText } from '../RowText'
import { SchemeSettings } from '../SchemeSettings'
import { ShuffleSetting } from '../ShuffleSetting'
import { usePart } from '../useRows'
import { ItemRow } from './ItemRow'
import { homeOf, itemsOf, withFreshItem, withHome, withItems } from './items'

const words = texts.kind.group

export type Group = Row & { max?: number | null }

/** Each group with what belongs in it, then what belongs in none. Enter goes to the next item, pasted lines become items. */
export function Editor({ part, onChange, problem, media }: EditorProps) {
  const groups = (part.settings?.groups ?? []) as Group[]
  const items = (part.settings?.items ?? []) as Row[]
  const rules = (part.key?.rules ?? []) as PairRule[]
  const shuffle = part.settings?.shuffle !== false
  const edit = usePart(part, onChange)
  const card = useRef<HTMLDivElement>(null)
  const lists = { items, rules }
  const take = (next: { items: Row[]; rules: PairRule[] }, place = '') =>
    edit.put({ items: next.items }, { key: { ...edit.current().key, rules: next.rules } }, place)
  const add = (group: string | null, after?: string) => {
    const made = withFreshItem(lists, group, after)
    edit.focus(made.id)
    take(made)
  }
  const setGroup = (id: string, changed: Partial<Group>, place = '') =>
    edit.put({ groups: groups.map((one) => (one.id === id ? { ...one, ...changed } : one)) }, {}, place)
  const addGroup = () => {
    const id = freshId(groups, 'g')
    edit.focus(id)
    edit.put({ groups: [...groups, { id, html: '', max: null }] })
  }
  const listed = (group: Group | null) => (
    <ul>
      {itemsOf(lists, groups, group?.id ?? null).map((item, i, here) => (
        <ItemRow
          key={item.id}
          item={item}
          n={items.indexOf(item) + 1}
          home={homeOf(rules, groups, item.id)}
          groups={groups}
          rules={rules}
          weighed={part.scoring?.scheme === 'weights'}
          autoFocus={edit.focused === item.id}
          wrong={problem(`/settings/items/${items.indexOf(item)}`)}
          media={media}
          onText={(html) => edit.put({ items: items.map((one) => (one.id === item.id ? { ...one, html } : one)) }, {}, item.id)}
          onHome={(id) => take(withHome(lists, item.id, id))}
          onRules={(next, place) => take({ items, rules: next }, place)}
          onNext={() => {
            const row = card.current?.querySelectorAll<HTMLElement>(`[data-group="${group?.id ?? ''}"] [data-item] [role=textbox]`)[i + 1]
            if (row) row.focus()
            else add(group?.id ?? null, item.id)
          }}
          onMove={(by) => {
            const other = here[i + by]
            if (other) take({ items: items.map((one) => (one === item ? other : one === other ? item : one)), rules })
          }}
          onPasteLines={(text) =>
            edit.lines(text, (lines) =>
              take(
                withItems(
                  { items: (edit.current().settings?.items ?? []) as Row[], rules: (edit.current().key?.rules ?? []) as PairRule[] },
                  group?.id ?? null,
                  item.id,
                  lines,
                ),
              ),
            )
          }
          onRemove={() => take({ items: items.filter((one) => one !== item), rules: without(rules, item.id) })}
        />
      ))}
    </ul>
  )
  return (
    <PartCard
      part={part}
      onChange={onChange}
      marking={{ problem, media }}
      title={words.sorts}
      summary={shuffle ? texts.parts.shuffled : ''}
      problem={
        problem('/key/rules') ??
        (groups.length < 2 ? problem('/settings/groups') : undefined) ??
        (items.length === 0 ? problem('/settings/items') : undefined)
      }
      settings={
        <>
          <SchemeSettings part={part} onChange={onChange} />
          <ShuffleSetting on={shuffle} onChange={(on) => edit.put({ shuffle: on })} />
        </>
      }
    >
      <div ref={card}>
        {groups.map((group, i) => (
          <section key={group.id} data-group={group.id} aria-label={words.group({ n: i + 1 })} className="border-hairline border-b pb-1">
            <header className="flex items-start gap-2 bg-page px-2 py-1.5 font-semibold">
              <RowText
                value={group.html}
                label={words.named({ n: i + 1 })}
                media={media}
                placeholder={words.named({ n: i + 1 })}
                autoFocus={edit.focused === group.id}
                wrong={problem(`/settings/groups/${i}`)}
                onChange={(html) => setGroup(group.id, { html }, group.id)}
                onNext={() => card.current?.querySelector<HTMLElement>(`[data-group="${group.id}"] [data-item] [role=textbox]`)?.focus()}
              />
              <label className="flex items-center gap-1.5 font-normal text-caption text-second">
                {words.holds}
                <input
                  type="number"
                  min={1}
                  max={1000}
                  placeholder={words.any}
                  aria-label={`${words.holds}: ${words.group({ n: i + 1 })}`}
                  className={`${control} w-28`}
                  value={group.max ?? ''}
                  onChange={(event) =>
                    setGroup(
                      group.id,
                      { max: event.target.value === '' ? null : Math.min(1000, Math.max(1, Math.round(Number(event.target.value)))) },
                      `max ${group.id}`,
                    )
                  }
                />
              </label>
              <RemoveButton
                name={words.group({ n: i + 1 })}
                onClick={() =>
                  edit.put({ groups: groups.filter((one) => one !== group) }, { key: { ...part.key, rules: without(rules, group.id) } })
                }
              />
            </header>
            {listed(group)}
            <Button look="quiet" onClick={() => add(group.id)}>
              {words.addItem}
            </Button>
          </section>
        ))}
        <section data-group="" aria-label={words.nowhere} className="border-hairline border-b pb-1">
          <h3 className="bg-page px-2 py-2 text-second">{words.nowhere}</h3>
          {listed(null)}
          <Button look="quiet" onClick={() => add(null)}>
            {words.addItem}
          </Button>
        </section>
        <footer className="px-1 py-1">
          <Button look="quiet" onClick={addGroup}>
            {words.addGroup}
          </Button>
        </footer>
      </div>
      <PairFeedback part={part} onChange={onChange} firsts={items} seconds={groups} />
    </PartCard>
  )
}
