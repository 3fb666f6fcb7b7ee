import { useRef } from 'react'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { afterRemoving } from '../afterRemoving'
import type { EditorProps } from '../definePart'
import { freshId } from '../fresh'
import { toHtml } from '../html'
import { moved } from '../moved'
import { PairFeedback } from '../PairFeedback'
import { PartCard, useCardPlace } from '../PartCard'
import { type Placed, PlacedRow } from '../PlacedRow'
import { type PairRule, without } from '../pairKey'
import { SchemeSettings } from '../SchemeSettings'
import { ShuffleSetting } from '../ShuffleSetting'
import { usePart } from '../useRows'
import { withRows } from '../withRows'
import { withRules } from '../withRules'

const words = texts.kind.tiles

type Tile = Placed

/** The tiles with the gaps each is right in; those that are right in none are too many, on purpose. */
export function Editor({ part, onChange, problem, media }: EditorProps) {
  const tiles = (part.settings?.tiles ?? []) as Tile[]
  const rules = (part.key?.rules ?? []) as PairRule[]
  const gaps = useCardPlace()?.gaps ?? []
  const edit = usePart(part, onChange)
  const list = useRef<HTMLUListElement>(null)
  const shuffle = part.settings?.shuffle !== false
  const tile = (rows: Tile[]): Tile => ({ id: freshId(rows, 't'), html: '', uses: 1 })
  const set = (id: string, changed: Partial<Tile>, place = '') =>
    edit.put({ tiles: tiles.map((one) => (one.id === id ? { ...one, ...changed } : one)) }, {}, place)
  const add = () => {
    const fresh = tile(tiles)
    edit.focus(fresh.id)
    edit.put({ tiles: [...tiles, fresh] })
  }
  return (
    <PartCard
      part={part}
      onChange={onChange}
      marking={{ problem, media }}
      title={words.puts}
      summary={shuffle ? texts.parts.shuffled : ''}
      problem={
        problem('/key/rules') ??
        (tiles.length === 0 ? problem('/settings/tiles') : undefined) ??
        (gaps.length === 0 ? words.noGaps : undefined)
      }
      settings={
        <>
          <SchemeSettings part={part} onChange={onChange} />
          <ShuffleSetting on={shuffle} onChange={(on) => edit.put({ shuffle: on })} />
        </>
      }
    >
      <ul ref={list}>
        {tiles.map((one, i) => (
          <PlacedRow
            key={one.id}
            words={words}
            name={words.tile({ n: i + 1 })}
            tile={one}
            gaps={gaps}
            rules={rules}
            weighed={part.scoring?.scheme === 'weights'}
            autoFocus={edit.focused === one.id}
            wrong={problem(`/settings/tiles/${i}`)}
            media={media}
            onText={(html) => set(one.id, { html }, one.id)}
            onUses={(uses) => set(one.id, { uses })}
            onRules={(next, place) => onChange(withRules(part, next), place)}
            onNext={() => {
              const after = list.current?.querySelectorAll<HTMLElement>('[data-row] [role=textbox]')[i + 1]
              if (after) after.focus()
              else add()
            }}
            onMove={(by) => edit.put({ tiles: moved(tiles, i, i + by) })}
            onPasteLines={(text) =>
              edit.lines(text, (lines) =>
                edit.put({ tiles: withRows((edit.current().settings?.tiles ?? []) as Tile[], i, lines, toHtml, tile) }),
              )
            }
            onRemove={() => {
              edit.put({ tiles: tiles.filter((other) => other.id !== one.id) }, { key: { ...part.key, rules: without(rules, one.id) } })
              afterRemoving(list.current, 'li', i)
            }}
          />
        ))}
      </ul>
      <footer className="px-1 py-1">
        <Button look="quiet" onClick={add}>
          {words.add}
        </Button>
      </footer>
      <PairFeedback
        part={part}
        onChange={onChange}
        firsts={gaps.map((gap, i) => ({ id: gap, html: words.gapNamed({ n: i + 1 }) }))}
        seconds={tiles}
      />
    </PartCard>
  )
}
