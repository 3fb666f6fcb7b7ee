import { Layers, X } from 'lucide-react'
import { useEffect, useState } from 'react'
import { ENTRY, entriesOf, gathered, inserted, isDraw, QUESTION, stepped, withoutSection, withPoints, withSection } from '@/lib/assessment'
import { type Dragged, dropTarget, whenDragEnds } from '@/lib/drag'
import { forQuestions } from '@/lib/phrases/assembly'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import { EntryRow } from './EntryRow'
import { SectionHead } from './SectionHead'
import { SeveralSettings } from './settings/SeveralSettings'
import { type SharedRun, sharedRuns } from './sharedRuns'
import { type Carry, type Place, useCarry } from './useCarry'
import type { Document } from './useDocument'

type Props = {
  document: Document
  active: string | undefined
  onActive: (entry: string) => void
  mayWrite: boolean
  onRemove: (ids: string[]) => void
}

/** Sections and their questions in order: moved, given points, taken out. */
export function Outline({ document, active, onActive, mayWrite, onRemove }: Props) {
  const { content, change, stored } = document
  const carry = useCarry(content, change)
  const [ids, setIds] = useState<string[]>([])
  const [points, setPoints] = useState('')
  const [setting, setSetting] = useState(false)
  const all = entriesOf(content)
  const { leave } = carry
  useEffect(() => {
    // What is dragged from a list beside and not dropped here is held no longer.
    return whenDragEnds(leave)
  }, [leave])
  const last = content.sections.at(-1)
  const end = { section: last?.id ?? '', at: last?.entries.length ?? 0 }
  const canTake = ({ type }: Dragged) => mayWrite && (type === QUESTION || type === ENTRY)
  /** A question dragged from a list beside is held as soon as it is over the outline. */
  const aim = (place: Place, dragged: Dragged) => {
    if (!carry.held && dragged.type === QUESTION) carry.pickUp([], place)
    else carry.aim(place)
  }
  const selected = ids.filter((id) => all.some((entry) => entry.id === id))
  const isPage = (entry: { id: string }) => {
    const fact = stored.entries[entry.id]
    return fact !== undefined && !fact.gone && fact.kinds.length === 0
  }
  const runs = sharedRuns(
    content.sections.map((section) =>
      section.entries.map((entry) => (isDraw(entry) ? entry.draw : isPage(entry) ? null : (stored.entries[entry.id]?.stimuli ?? []))),
    ),
  )
  let place = 0
  let number = 0
  const held = carry.held ? (stored.entries[carry.held.ids[0] ?? '']?.title ?? '') : ''
  return (
    <div className="flex h-full flex-col">
      {/* What is dragged may be dropped anywhere in the outline; below the last entry it becomes the last. */}
      <div
        className="min-h-0 flex-1 overflow-y-auto"
        ref={dropTarget({
          takes: canTake,
          onOver: (_, dragged) => aim(end, dragged),
          onDrop: (dragged) => {
            if (dragged.type === ENTRY) return carry.putDown()
            const place = carry.held?.place ?? end
            carry.leave()
            change((now) => inserted(now, String(dragged.id), Number(dragged.revision), place.section, place.at))
          },
        })}
      >
        <p className="sr-only" role="status">
          {held ? texts.assembly.held({ title: held }) : ''}
        </p>
        {content.sections.map((section, s) => (
          <section key={section.id} aria-label={section.title || texts.assembly.section({ n: s + 1 })}>
            {content.sections.length > 1 || section.title || section.instructions || mayWrite ? (
              <SectionHead
                section={section}
                number={s + 1}
                mayWrite={mayWrite}
                bank={stored.bank.slug}
                onChange={(next) =>
                  change(
                    (now) => ({ ...now, sections: now.sections.map((one) => (one.id === section.id ? { ...one, ...next } : one)) }),
                    `section ${section.id}`,
                  )
                }
                {...(content.sections.length > 1 ? { onRemove: () => change((now) => withoutSection(now, section.id)) } : {})}
              />
            ) : null}
            <ol>
              {section.entries.map((entry, at) => {
                const page = isPage(entry)
                const from = number + 1
                if (!page) number += isDraw(entry) ? entry.draw : 1
                place++
                return (
                  <li key={entry.id}>
                    <Shared runs={runs[place - 1] ?? []} />
                    <Slot carry={carry} section={section.id} at={at} />
                    <EntryRow
                      entry={entry}
                      fact={stored.entries[entry.id]}
                      number={page ? null : number > from ? `${from}.–${number}.` : `${number}.`}
                      section={section.id}
                      at={at}
                      active={entry.id === active}
                      selected={selected.includes(entry.id)}
                      ids={selected}
                      carry={carry}
                      canTake={canTake}
                      onAim={aim}
                      mayWrite={mayWrite}
                      home={stored.bank.slug}
                      onActive={() => onActive(entry.id)}
                      onSelect={() =>
                        setIds(selected.includes(entry.id) ? selected.filter((id) => id !== entry.id) : [...selected, entry.id])
                      }
                      onPoints={(own) => change((now) => withPoints(now, [entry.id], own), `points ${entry.id}`)}
                      onStep={(by) => change((now) => stepped(now, entry.id, by))}
                    />
                  </li>
                )
              })}
            </ol>
            <Slot carry={carry} section={section.id} at={section.entries.length} />
            {section.entries.length === 0 ? (
              <p
                className="px-4 py-3 text-quiet"
                ref={dropTarget({ takes: canTake, onOver: (_, dragged) => aim({ section: section.id, at: 0 }, dragged) })}
              >
                {texts.assembly.emptySection}
              </p>
            ) : null}
          </section>
        ))}
        {mayWrite ? (
          <p className="p-3">
            <Button onClick={() => change(withSection)}>{texts.assembly.addSection}</Button>
          </p>
        ) : null}
      </div>
      {selected.length > 0 ? (
        <form
          className="flex flex-none flex-wrap items-center gap-2 border-hairline border-t bg-accent-tint px-3 py-2"
          onSubmit={(event) => {
            event.preventDefault()
            if (points !== '') change((now) => withPoints(now, selected, Number(points)))
          }}
        >
          <strong className="flex-1">{texts.assembly.selected({ n: selected.length })}</strong>
          <Button
            look="quiet"
            onClick={() => {
              setIds(all.map((entry) => entry.id))
            }}
          >
            {texts.intake.selectAll({ n: all.length })}
          </Button>
          <input
            aria-label={texts.assembly.pointsFor}
            placeholder={texts.assembly.pointsFor}
            type="number"
            min={0}
            max={100000}
            step="any"
            value={points}
            onChange={(event) => setPoints(event.target.value)}
            className={`${control} w-28`}
          />
          <Button type="submit">{texts.assembly.setPoints}</Button>
          {all.filter((entry) => selected.includes(entry.id) && !isDraw(entry)).length > 1 ? (
            <Button
              onClick={() => {
                const next = gathered(content, selected)
                const made = entriesOf(next).find((entry) => isDraw(entry) && !all.some((one) => one.id === entry.id))
                change(() => next)
                setIds([])
                if (made) onActive(made.id)
              }}
            >
              {texts.assembly.gather}
            </Button>
          ) : null}
          <Button onClick={() => change((now) => withPoints(now, selected, null))}>{texts.assembly.ownAgain}</Button>
          <Button onClick={() => setSetting(true)}>{texts.assembly.settings.forSeveral}</Button>
          <Button
            onClick={() => {
              onRemove(selected)
              setIds([])
            }}
          >
            {texts.assembly.takeOut}
          </Button>
          <Button look="quiet" className="!px-1" aria-label={texts.assembly.clear} title={texts.assembly.clear} onClick={() => setIds([])}>
            <X size={16} aria-hidden="true" />
          </Button>
        </form>
      ) : null}
      {setting ? <SeveralSettings document={document} ids={selected} bank={stored.bank.slug} onClose={() => setSetting(false)} /> : null}
    </div>
  )
}

/** Where what is held would go. */
function Slot({ carry, section, at }: { carry: Carry; section: string; at: number }) {
  if (!carry.held) return null
  const here = carry.isAt(section, at)
  return (
    <button
      type="button"
      tabIndex={-1}
      className={`block w-full ${here ? 'bg-accent py-0.5 text-caption text-on-accent' : 'h-2 hover:bg-accent'}`}
      onClick={() => carry.putDown({ section, at })}
      aria-label={texts.assembly.putHere}
    >
      {here ? texts.assembly.putHere : ''}
    </button>
  )
}

/** Stimuli that stand above the question that follows. */
function Shared({ runs }: { runs: SharedRun[] }) {
  return runs.map(({ id, title, from, to, again }) => (
    <p key={id} className="flex gap-2 border-hairline border-t px-4 pt-1.5 text-caption text-information">
      <Layers size={14} aria-hidden="true" className="mt-0.5 flex-none" />
      <span className="min-w-0 truncate">{again === null ? forQuestions(title, from, to) : texts.stimuli.again({ title, of: again })}</span>
    </p>
  ))
}
