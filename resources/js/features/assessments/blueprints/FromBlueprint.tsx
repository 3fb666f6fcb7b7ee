import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Pick } from '@/api/assembly'
import { assembleAgain, blueprintCheckQuery } from '@/api/blueprints'
import { editEntries, entriesOf, isDraw } from '@/lib/assessment'
import { texts } from '@/messages'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { useToast } from '@/ui/Toasts'
import type { Document } from '../useDocument'
import { AskedFound } from './AskedFound'
import { tablesOf } from './content'

const words = texts.blueprints.inside

type Props = { document: Document; mayWrite: boolean }

/**
 * What an assessment has of what its blueprint asks for, and what is short. Questions that are kept stay where they stand; the others are
 * exchanged for ones the blueprint asks for, and what is missing is added at the end.
 */
export function FromBlueprint({ document, mayWrite }: Props) {
  const { content, stored } = document
  const blueprint = content.blueprint
  const check = useQuery(blueprintCheckQuery(stored.id, stored.version))
  const tell = useToast()
  const picks = entriesOf(content).filter((entry): entry is Pick => !isDraw(entry))
  const [kept, setKept] = useState<string[]>([])
  const again = useMutation({
    mutationFn: async ({ keep, apart }: { keep: string[]; apart: string[] }) => {
      await document.flush()
      return assembleAgain(stored.id, { kept: keep, apart, seed: Math.floor(Math.random() * 1_000_000) })
    },
    onSuccess: (found, { keep }) => {
      const test = found.tests[0]
      if (!found.possible || !test) {
        const why = found.reasons.map((one) => one.sentence).join(' ') || found.words.join(' ')
        return tell({ text: words.impossible({ why }), look: 'problem' })
      }
      const taken = new Set(keep)
      const fresh = test.questions.filter((row) => !taken.has(row.id))
      document.change((now) => {
        const free = entriesOf(now).filter((entry): entry is Pick => !isDraw(entry) && !taken.has(entry.question))
        const rest = [...fresh]
        // one that asks the same cell takes the place, so that sections stay what they are
        const instead = new Map<string, (typeof fresh)[number]>()
        for (const entry of free) {
          const same = rest.findIndex((row) => row.places.some((place) => placesOf(entry.question).includes(place)))
          const row = rest.splice(same === -1 ? 0 : same, 1)[0]
          if (row) instead.set(entry.id, row)
        }
        const edited = editEntries(now, [...instead.keys()], (entry) => {
          const row = instead.get(entry.id)
          return isDraw(entry) || !row ? entry : { id: entry.id, question: row.id, seen: row.revision }
        })
        const gone = new Set(free.filter((entry) => !instead.has(entry.id)).map((entry) => entry.id))
        return {
          ...edited,
          sections: edited.sections.map((section, i) => ({
            ...section,
            entries: [
              ...section.entries.filter((entry) => !gone.has(entry.id)),
              ...(i === edited.sections.length - 1
                ? rest.map((row) => ({ id: `e-${row.id.replaceAll('-', '')}`, question: row.id, seen: row.revision }))
                : []),
            ],
          })),
        }
      })
      tell({ text: words.done({ n: fresh.length }), undo: document.undo })
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  const placesOf = (question: string): string[] => check.data?.questions[question] ?? []
  if (!blueprint) return null
  const table = tablesOf(blueprint)[0]
  const all = picks.map((entry) => entry.question)
  return (
    <div className="h-full overflow-y-auto p-3">
      <p className="pb-3">
        {words.from}{' '}
        <Link className="font-semibold text-accent hover:underline" to={`/blueprints/${blueprint.id}`}>
          {blueprint.title}
        </Link>
      </p>
      <Asked query={check} />
      {check.data ? (
        <>
          {check.data.short.length === 0 ? <p className="pb-3 text-second">{words.met}</p> : null}
          {check.data.short.length > 0 ? (
            <section aria-label={words.short} className="mb-4 rounded-ui border border-attention bg-attention-tint p-3">
              <h3 className="font-semibold text-attention">{words.short}</h3>
              <ul>
                {check.data.short.map((one) => (
                  <li key={`${one.place} ${one.measure}`}>
                    {words.shortBy({ name: one.name, asked: one.asked, found: one.found, what: one.measure })}
                  </li>
                ))}
              </ul>
            </section>
          ) : null}
          {table ? (
            <AskedFound
              table={table}
              places={check.data.places}
              totals={{ points: stored.totals.points, minutes: stored.totals.minutes ?? 0 }}
              available={check.data.available}
            />
          ) : null}
        </>
      ) : null}
      {mayWrite && picks.length === entriesOf(content).length ? (
        <section aria-label={words.again}>
          <h3 className="pb-1 font-semibold">{words.again}</h3>
          <p className="pb-2 text-second">{words.againAbout}</p>
          <ul className="max-h-72 overflow-y-auto border-hairline border-y">
            {picks.map((entry) => (
              <li key={entry.id}>
                <label className="flex min-h-7 items-center gap-2 px-1 hover:bg-well">
                  <input
                    type="checkbox"
                    checked={kept.includes(entry.question)}
                    onChange={() =>
                      setKept((now) =>
                        now.includes(entry.question) ? now.filter((one) => one !== entry.question) : [...now, entry.question],
                      )
                    }
                  />
                  <span className="min-w-0 flex-1 truncate">{stored.entries[entry.id]?.title || words.question}</span>
                </label>
              </li>
            ))}
          </ul>
          <p className="flex flex-wrap gap-2 pt-3">
            <Button
              aria-disabled={again.isPending}
              onClick={() =>
                again.isPending
                  ? undefined
                  : again.mutate({
                      keep: kept.filter((id) => all.includes(id)),
                      apart: all.filter((id) => !kept.includes(id)),
                    })
              }
            >
              {words.go({ n: all.filter((id) => !kept.includes(id)).length })}
            </Button>
            {check.data && check.data.short.length > 0 ? (
              <Button
                aria-disabled={again.isPending}
                onClick={() => (again.isPending ? undefined : again.mutate({ keep: all, apart: [] }))}
              >
                {words.fill}
              </Button>
            ) : null}
          </p>
        </section>
      ) : null}
    </div>
  )
}
