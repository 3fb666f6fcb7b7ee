import { texts } from '@/messages'
import type { EditorProps } from '../definePart'
import { freshId } from '../fresh'
import { toHtml } from '../html'
import { moved } from '../moved'
import { PairFeedback } from '../PairFeedback'
import { PairGrid } from '../PairGrid'
import { PartCard, SettingChoice } from '../PartCard'
import { type PairRule, type Row, without } from '../pairKey'
import { SchemeSettings } from '../SchemeSettings'
import { ShuffleSetting } from '../ShuffleSetting'
import { usePart } from '../useRows'
import { withRows } from '../withRows'
import { withRules } from '../withRules'
import { PairRows } from './PairRows'
import { isPaired, withUses } from './paired'

const words = texts.kind.match

export type Side = Row & { uses?: number | null }

/** Pairs in two columns; a table to tick where one belongs to several, or where the learner has such a table. */
export function Editor({ part, onChange, problem, media }: EditorProps) {
  const left = (part.settings?.left ?? []) as Side[]
  const right = (part.settings?.right ?? []) as Side[]
  const rules = (part.key?.rules ?? []) as PairRule[]
  const by = String(part.settings?.by ?? 'lines')
  const shuffle = part.settings?.shuffle !== false
  const edit = usePart(part, onChange)
  const setRules = (next: PairRule[], place: string) => onChange(withRules(part, next), place)
  const list = { rows: ['left', left], columns: ['right', right] } as const
  const once = left.every((one) => one.uses === 1 || one.uses === undefined)
  return (
    <PartCard
      part={part}
      onChange={onChange}
      marking={{ problem, media }}
      title={words.joins}
      summary={[words.ways[by], shuffle ? texts.parts.shuffled : ''].filter((one) => one).join(', ')}
      problem={
        problem('/key/rules') ??
        (right.length < 2 ? problem('/settings/right') : undefined) ??
        (left.length < 1 ? problem('/settings/left') : undefined)
      }
      settings={
        <>
          <SettingChoice
            label={words.by}
            value={by}
            options={Object.entries(words.ways)}
            onChange={(value) =>
              edit.put({ by: value, ...(value === 'grid' ? { right: right.map((one) => ({ ...one, uses: null })) } : {}) })
            }
          />
          <SettingChoice
            label={words.usesLeft}
            value={once ? '1' : ''}
            options={[
              ['1', texts.parts.once],
              ['', texts.parts.often],
            ]}
            onChange={(value) => edit.put({ left: withUses(left, value === '' ? null : 1) })}
          />
          <SettingChoice
            label={words.usesRight}
            value={right.every((one) => one.uses === 1 || one.uses === undefined) ? '1' : ''}
            options={[
              ['1', texts.parts.once],
              ['', texts.parts.often],
            ]}
            onChange={(value) => edit.put({ right: withUses(right, value === '' ? null : 1) })}
          />
          <SchemeSettings part={part} onChange={onChange} />
          <ShuffleSetting on={shuffle} onChange={(on) => edit.put({ shuffle: on })} />
        </>
      }
    >
      {by !== 'grid' && isPaired(left, right, rules) ? (
        <PairRows part={part} onChange={onChange} problem={problem} media={media} />
      ) : (
        <PairGrid
          rows={left}
          columns={right}
          rules={rules}
          single={once}
          weighed={part.scoring?.scheme === 'weights'}
          media={media}
          focused={edit.focused}
          names={{
            row: (n) => words.row({ n }),
            column: (n) => words.partner({ n }),
            cell: (left, right) => words.cell({ left, right }),
            addRow: words.addRow,
            addColumn: words.addColumn,
          }}
          wrong={(of, i) => problem(`/settings/${list[of][0]}/${i}`)}
          onRow={(id, html) => edit.put({ left: left.map((one) => (one.id === id ? { ...one, html } : one)) }, {}, id)}
          onColumn={(id, html) => edit.put({ right: right.map((one) => (one.id === id ? { ...one, html } : one)) }, {}, id)}
          onAdd={(of) => {
            const id = freshId(list[of][1] as Side[], of === 'rows' ? 'l' : 'r')
            edit.focus(id)
            edit.put({ [list[of][0]]: [...list[of][1], { id, html: '', uses: of === 'rows' && once ? 1 : null }] })
          }}
          onRemove={(of, id) =>
            edit.put({ [list[of][0]]: list[of][1].filter((one) => one.id !== id) }, { key: { ...part.key, rules: without(rules, id) } })
          }
          onPaste={(i, text) =>
            edit.lines(text, (lines) =>
              edit.put({
                left: withRows((edit.current().settings?.left ?? []) as Side[], i, lines, toHtml, (rows) => ({
                  id: freshId(rows, 'l'),
                  html: '',
                  uses: once ? 1 : null,
                })),
              }),
            )
          }
          onMove={(i, by_) => edit.put({ left: moved(left, i, i + by_) })}
          onRules={setRules}
        />
      )}
      <PairFeedback part={part} onChange={onChange} firsts={left} seconds={right} />
    </PartCard>
  )
}
