import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { type EntryRoll, type PrintSettings, rollsQuery } from '@/api/assembly'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'

const words = texts.assembly.printing.rolls

type Props = {
  assessment: string
  settings: PrintSettings
  /** What stands for the settings as they are stored: the rolls are asked for again when it changes. */
  stored: string
  mayWrite: boolean
  onChange: (settings: PrintSettings) => void
}

/** The rolls of the questions on this paper: what the last roll changed, one rolled by itself, one kept. */
export function EntryRolls({ assessment, settings, stored, mayWrite, onChange }: Props) {
  const rolls = useQuery(rollsQuery(assessment, stored))
  const before = useLast(rolls.isPlaceholderData ? undefined : rolls.data)
  if (!rolls.data) return null
  if (!rolls.data.some((one) => one.varies)) return <p className="text-second">{words.nothing}</p>
  const keep = (entry: string, seed: number | null) =>
    onChange({
      ...settings,
      rolls: [...(settings.rolls ?? []).filter((one) => one.entry !== entry), ...(seed === null ? [] : [{ entry, seed }])],
    })
  return (
    <ol className="mt-1 flex flex-col gap-2">
      {rolls.data.map((one) => (
        <li key={one.entry} className="flex flex-col border-hairline border-b pb-1.5">
          <span className="truncate" title={one.title}>
            {words.question({ n: one.number, title: one.title })}
          </span>
          <span className="text-caption text-second">
            {one.varies ? (one.problem ?? said(one)) : words.none}
            {one.varies && before ? ` ${change(one, before)}` : ''}
          </span>
          {one.varies && mayWrite ? (
            <span className="flex gap-4">
              <Button
                look="quiet"
                className="!min-h-7 !px-0"
                aria-label={words.rollOf({ n: one.number })}
                onClick={() => keep(one.entry, one.seed + 1)}
              >
                {words.roll}
              </Button>
              <label className="flex items-center gap-1.5 text-caption">
                <input
                  type="checkbox"
                  className="accent-accent"
                  aria-label={words.keepOf({ n: one.number, seed: one.seed })}
                  checked={settings.rolls?.some((roll) => roll.entry === one.entry) ?? false}
                  onChange={(event) => keep(one.entry, event.target.checked ? one.seed : null)}
                />
                {words.keep({ seed: one.seed })}
              </label>
            </span>
          ) : null}
        </li>
      ))}
    </ol>
  )
}

const said = (one: EntryRoll): string =>
  Object.entries(one.values)
    .filter(([name]) => !name.includes('['))
    .map(([name, value]) => `${name} = ${value}`)
    .join(', ')

function change(one: EntryRoll, before: EntryRoll[]): string {
  const was = before.find((other) => other.entry === one.entry)
  if (!was) return ''
  return JSON.stringify(was.values) === JSON.stringify(one.values) ? words.unchanged : words.changed
}

/** What stood here before the last change. */
function useLast(now: EntryRoll[] | undefined): EntryRoll[] | null {
  const [before, setBefore] = useState<EntryRoll[] | null>(null)
  const last = useRef<EntryRoll[] | undefined>(undefined)
  useEffect(() => {
    if (now === undefined || now === last.current) return
    if (last.current !== undefined) setBefore(last.current)
    last.current = now
  }, [now])
  return before
}
