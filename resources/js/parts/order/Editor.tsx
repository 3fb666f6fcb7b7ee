import { Equal, Pin } from 'lucide-react'
import { useRef } from 'react'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Gap } from '@/ui/Sentence'
import { afterRemoving } from '../afterRemoving'
import type { EditorProps } from '../definePart'
import { freshId } from '../fresh'
import { toHtml } from '../html'
import { moved } from '../moved'
import { PartCard, SettingChoice, SettingNumber } from '../PartCard'
import { RemoveButton } from '../RemoveButton'
import { RowText } from '../RowText'
import { usePart } from '../useRows'
import { withRows } from '../withRows'
import { type Item, withItems, written } from './ranks'

const words = texts.kind.order

/** The items in their right order. Enter goes on, pasted lines become a sequence, Alt and an arrow move a row. */
export function Editor({ part, onChange, problem, media }: EditorProps) {
  const { items, equal } = written(part)
  const edit = usePart(part, onChange)
  const list = useRef<HTMLOListElement>(null)
  const layout = String(part.settings?.layout ?? 'column')
  const scheme = String(part.scoring?.scheme ?? 'pairs')
  const caption = (part.settings?.caption ?? {}) as { from?: string; to?: string }
  const take = (next: Item[], place = '', same = equal) => onChange(withItems(edit.current(), next, same), place)
  const add = (after = items.length) => {
    const id = freshId(items, 'i')
    edit.focus(id)
    take([...items.slice(0, after), { id, html: '' }, ...items.slice(after)])
  }
  const toggle = 'min-h-7 min-w-7 rounded-ui text-quiet hover:bg-well aria-pressed:text-accent'
  return (
    <PartCard
      part={part}
      onChange={onChange}
      marking={{ problem, media }}
      title={words.orders}
      summary={words.layouts[layout] ?? ''}
      problem={problem('/key/rules') ?? (items.length < 2 ? problem('/settings/items') : undefined)}
      settings={
        <>
          <SettingChoice
            label={words.layout}
            value={layout}
            options={Object.entries(words.layouts)}
            onChange={(value) => edit.put({ layout: value })}
          />
          {layout === 'grid' ? (
            <SettingNumber
              label={words.columns}
              value={Number(part.settings?.columns ?? 2)}
              min={1}
              max={8}
              onChange={(columns) => edit.put({ columns: columns ?? 2 })}
            />
          ) : null}
          <SettingChoice
            label={words.scheme}
            value={scheme}
            options={Object.entries(words.schemes)}
            onChange={(value) => onChange({ ...part, scoring: { ...part.scoring, scheme: value } }, '')}
          />
          <p className="w-full text-caption text-quiet">{words.formulas[scheme]}</p>
        </>
      }
    >
      <p className="px-3 pt-2 text-caption text-second">{words.rightOrder}</p>
      <p className="flex items-baseline gap-2 px-3 py-1 text-caption text-second">
        {words.from}
        <Gap
          aria-label={words.from}
          placeholder={words.captionHint}
          value={caption.from ?? ''}
          onChange={(event) => edit.put({ caption: { ...caption, from: event.target.value } }, {}, 'from')}
        />
      </p>
      <ol ref={list}>
        {items.map((item, i) => {
          const name = words.item({ n: i + 1 })
          return (
            <li key={item.id} className="flex items-start gap-2 border-hairline border-b px-2 py-1.5">
              <span className="w-6 flex-none pt-1 text-right font-serif text-second">{equal.includes(item.id) ? '=' : i + 1}</span>
              <RowText
                value={item.html}
                label={name}
                media={media}
                autoFocus={edit.focused === item.id}
                wrong={problem(`/settings/items/${((part.settings?.items ?? []) as Item[]).findIndex((one) => one.id === item.id)}`)}
                onChange={(html) =>
                  take(
                    items.map((one) => (one.id === item.id ? { ...one, html } : one)),
                    item.id,
                  )
                }
                onNext={() => {
                  const after = list.current?.querySelectorAll<HTMLElement>('[data-row] [role=textbox]')[i + 1]
                  if (after) after.focus()
                  else add()
                }}
                onMove={(by) => take(moved(items, i, i + by))}
                onPasteLines={(text) =>
                  edit.lines(text, (lines) =>
                    take(withRows(written(edit.current()).items, i, lines, toHtml, (rows) => ({ id: freshId(rows, 'i'), html: '' }))),
                  )
                }
              />
              {i > 0 ? (
                <button
                  type="button"
                  aria-pressed={equal.includes(item.id)}
                  aria-label={words.equal({ item: name })}
                  title={words.equal({ item: name })}
                  className={toggle}
                  onClick={() => take(items, '', equal.includes(item.id) ? equal.filter((id) => id !== item.id) : [...equal, item.id])}
                >
                  <Equal size={16} aria-hidden="true" className="inline" />
                </button>
              ) : null}
              <button
                type="button"
                aria-pressed={item.given === true}
                aria-label={words.given({ item: name })}
                title={words.given({ item: name })}
                className={toggle}
                onClick={() =>
                  take(
                    items.map(({ given, ...one }) =>
                      one.id !== item.id ? (given ? { ...one, given } : one) : given ? one : { ...one, given: true },
                    ),
                  )
                }
              >
                <Pin size={14} aria-hidden="true" fill={item.given ? 'currentColor' : 'none'} className="inline" />
              </button>
              <RemoveButton
                name={name}
                onClick={() => {
                  take(items.filter((one) => one.id !== item.id))
                  afterRemoving(list.current, 'li', i)
                }}
              />
            </li>
          )
        })}
      </ol>
      <p className="flex items-baseline gap-2 px-3 py-1 text-caption text-second">
        {words.to}
        <Gap
          aria-label={words.to}
          placeholder={words.lastCaptionHint}
          value={caption.to ?? ''}
          onChange={(event) => edit.put({ caption: { ...caption, to: event.target.value } }, {}, 'to')}
        />
      </p>
      <footer className="px-1 py-1">
        <Button look="quiet" onClick={() => add()}>
          {words.add}
        </Button>
      </footer>
    </PartCard>
  )
}
