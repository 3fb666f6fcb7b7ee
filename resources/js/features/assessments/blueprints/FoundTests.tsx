import { Lock, LockOpen } from 'lucide-react'
import { Link } from 'react-router'
import type { Assembled } from '@/api/blueprints'
import { rounded } from '@/lib/format'
import { texts } from '@/messages'
import { kindWords } from '@/parts/words'
import { Button } from '@/ui/Button'

const words = texts.blueprints

type Props = {
  found: Assembled
  shown: number
  onShow: (test: number) => void
  kept: string[]
  onKept: (kept: string[]) => void
  /** Takes another question in the place of one, with all others kept. */
  onExchange: (test: number, question: string) => void
  isBusy: boolean
}

/** The questions that were found. One can be locked, and exchanged for another that the demands allow as well. */
export function FoundTests({ found, shown, onShow, kept, onKept, onExchange, isBusy }: Props) {
  const test = found.tests[shown] ?? found.tests[0]
  if (!test) return null
  return (
    <section aria-label={words.foundQuestions}>
      {found.tests.length > 1 ? <Differences found={found} shown={shown} onShow={onShow} /> : null}
      <h2 className="pb-1 font-semibold">
        {found.possible ? words.testTitle({ n: test.totals.count, points: test.totals.points }) : words.nearest({ n: test.totals.count })}
      </h2>
      {found.proved || !found.possible ? null : (
        <p className="pb-1 text-caption text-attention">{words.notProved({ value: found.value })}</p>
      )}
      <ol className="border-hairline border-t">
        {test.questions.map((row, i) => {
          const isKept = kept.includes(row.id)
          return (
            <li key={row.id} className={`flex items-start gap-2 border-hairline border-b py-1 ${isKept ? 'bg-accent-tint' : ''}`}>
              <span className="w-6 flex-none text-right tabular-nums text-caption text-second">{i + 1}</span>
              <span className="min-w-0 flex-1">
                <Link className="block truncate text-ink hover:text-accent hover:underline" to={`/questions/${row.id}`}>
                  {row.title || row.stem}
                </Link>
                <span className="flex flex-wrap gap-x-2 text-caption text-second">
                  <span>{kindWords(row.kinds)}</span>
                  <span>{texts.points({ n: row.points })}</span>
                  {row.difficulty === null ? null : <span>{texts.bank.difficulty({ n: row.difficulty })}</span>}
                  {row.status === 'approved' ? null : <span className="text-attention">{words.statuses[row.status as 'draft']}</span>}
                </span>
              </span>
              {found.possible ? (
                <span className="flex flex-none items-center">
                  <Button
                    look="quiet"
                    aria-disabled={isBusy || isKept}
                    aria-label={words.exchangeOf({ title: row.title || row.stem })}
                    onClick={() => (isBusy || isKept ? undefined : onExchange(shown, row.id))}
                  >
                    {words.exchange}
                  </Button>
                  <button
                    type="button"
                    aria-pressed={isKept}
                    aria-label={words.lockOf({ title: row.title || row.stem })}
                    title={isKept ? words.unlock : words.lock}
                    className="flex min-h-7 min-w-7 items-center justify-center rounded-ui text-quiet hover:bg-well hover:text-ink aria-pressed:text-accent"
                    onClick={() => onKept(isKept ? kept.filter((one) => one !== row.id) : [...kept, row.id])}
                  >
                    {isKept ? <Lock size={15} aria-hidden="true" /> : <LockOpen size={15} aria-hidden="true" />}
                  </button>
                </span>
              ) : null}
            </li>
          )
        })}
      </ol>
    </section>
  )
}

/** Tests that were made together, beside each other: what each comes to. */
function Differences({ found, shown, onShow }: { found: Assembled; shown: number; onShow: (test: number) => void }) {
  const letter = (i: number) => String.fromCharCode(65 + i)
  return (
    <table className="mb-3 w-full">
      <caption className="pb-1 text-left font-semibold">{words.testsTitle({ n: found.tests.length })}</caption>
      <thead>
        <tr className="border-edge border-b text-right text-caption text-quiet">
          <td />
          <th className="font-normal">{words.testColumns.questions}</th>
          <th className="font-normal">{words.testColumns.points}</th>
          <th className="font-normal">{words.testColumns.minutes}</th>
          <th className="font-normal">{words.testColumns.difficulty}</th>
        </tr>
      </thead>
      <tbody>
        {found.tests.map((test, i) => (
          <tr key={letter(i)} className={`border-hairline border-b text-right tabular-nums ${i === shown ? 'bg-accent-tint' : ''}`}>
            <th scope="row" className="py-0.5 text-left font-normal">
              <Button look="quiet" aria-pressed={i === shown} onClick={() => onShow(i)}>
                {words.testLetter({ letter: letter(i) })}
              </Button>
            </th>
            <td>{test.totals.count}</td>
            <td>{rounded(test.totals.points)}</td>
            <td>{rounded(test.totals.minutes)}</td>
            <td>{test.totals.difficulty === null ? '' : rounded(test.totals.difficulty)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
