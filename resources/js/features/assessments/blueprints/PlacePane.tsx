import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { type BlueprintContent, placeQuery } from '@/api/blueprints'
import { questionQuery } from '@/api/queries'
import { day } from '@/lib/format'
import { texts } from '@/messages'
import { kindWords } from '@/parts/words'
import { TryPane } from '@/question/try/TryPane'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Waiting } from '@/ui/Message'

const words = texts.blueprints

type Props = {
  id: string
  place: string
  name: string
  lines: string
  total: number | undefined
  mayWrite: boolean
  onChange: (edit: (now: BlueprintContent) => BlueprintContent) => void
  onClose: () => void
}

/** The questions of one place of a table, to read and try before a number is asked for. */
export function PlacePane({ id, place, name, lines, total, mayWrite, onChange, onClose }: Props) {
  const rows = useQuery(placeQuery(id, place, lines))
  const [picked, setPicked] = useState<string | null>(null)
  const [showKey, setShowKey] = useState(false)
  const shown = rows.data?.find((row) => row.id === picked)
  const whole = useQuery({ ...questionQuery(picked ?? ''), enabled: picked !== null })
  const rule = (kind: 'must_include' | 'exclude', question: string) =>
    onChange((now) => {
      const rules = now.rules ?? []
      const there = rules.find((one) => one.rule === kind)
      const changed = there
        ? rules.map((one) => (one === there ? { ...one, questions: [...new Set([...(one.questions ?? []), question])] } : one))
        : [...rules, { id: kind, rule: kind, questions: [question] }]
      return { ...now, rules: changed }
    })
  return (
    <section aria-label={name}>
      <header className="flex items-baseline gap-2 pb-2">
        <h2 className="min-w-0 flex-1 font-semibold">
          {name} <span className="font-normal text-second">{total === undefined ? '' : words.toChooseFrom({ n: total })}</span>
        </h2>
        <Button look="quiet" onClick={onClose}>
          {words.closePlace}
        </Button>
      </header>
      <Asked query={rows} />
      {rows.data?.length === 0 ? <p className="text-second">{words.placeEmpty}</p> : null}
      <ul className="max-h-80 overflow-y-auto border-hairline border-y">
        {rows.data?.map((row) => (
          <li key={row.id}>
            <button
              type="button"
              aria-pressed={row.id === picked}
              className={`-outline-offset-2 block w-full border-hairline border-b border-l-3 px-2 py-1.5 text-left ${row.id === picked ? 'border-l-accent bg-well' : 'border-l-transparent hover:bg-well'}`}
              onClick={() => setPicked(row.id === picked ? null : row.id)}
            >
              <span className="block truncate">{row.title || row.stem}</span>
              <span className="flex flex-wrap gap-x-2 text-caption text-second">
                <span>{kindWords(row.kinds)}</span>
                <span>{texts.points({ n: row.points })}</span>
                {row.difficulty === null ? null : <span>{texts.bank.difficulty({ n: row.difficulty })}</span>}
                {row.status === 'approved' ? null : <span className="text-attention">{words.statuses[row.status as 'draft']}</span>}
                {row.used_on ? <span>{words.usedOn({ day: day(row.used_on) })}</span> : null}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {rows.data?.length === 100 && (total ?? 0) > 100 ? <p className="pt-1 text-caption text-second">{words.firstHundred}</p> : null}
      {picked ? (
        <div className="pt-3">
          <div className="flex flex-wrap items-center gap-2 pb-2">
            <h3 className="min-w-0 flex-1 truncate font-semibold">{shown?.title || shown?.stem}</h3>
            <Button aria-pressed={showKey} onClick={() => setShowKey(!showKey)}>
              {words.key}
            </Button>
            {mayWrite ? (
              <>
                <Button onClick={() => rule('must_include', picked)}>{words.mustInclude}</Button>
                <Button onClick={() => rule('exclude', picked)}>{words.leaveOut}</Button>
              </>
            ) : null}
          </div>
          {whole.data ? (
            <TryPane key={picked} stored question={whole.data.question} bank={whole.data.bank.slug} showKey={showKey} />
          ) : (
            <Waiting text={texts.loading} />
          )}
        </div>
      ) : null}
    </section>
  )
}
