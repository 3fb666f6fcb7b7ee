import type { TestForm } from '@/api/paper'
import { rounded } from '@/lib/format'
import { texts } from '@/messages'
import { lettersOf } from './byMaster'

const words = texts.paper.forms

/** What each form comes to: points, minutes, difficulty, and how often each letter is right. */
export function Balance({ forms }: { forms: TestForm[] }) {
  const letters = lettersOf(forms)
  const said = (value: number | null) => (value === null ? <span className="text-quiet">{words.unknown}</span> : rounded(value))
  return (
    <section aria-label={words.equal} className="overflow-x-auto">
      <h2 className="mb-1 font-semibold">{words.equal}</h2>
      <table className="border-collapse rounded-ui border border-hairline bg-paper tabular-nums">
        <thead>
          <tr className="border-hairline border-b text-caption text-second">
            <td className="px-3 py-1.5" />
            <th scope="col" className="px-3 py-1.5 text-right font-normal">
              {words.points}
            </th>
            <th scope="col" className="px-3 py-1.5 text-right font-normal">
              {words.minutes}
            </th>
            <th scope="col" className="px-3 py-1.5 text-right font-normal">
              {words.difficulty}
            </th>
            {letters.map((letter) => (
              <th key={letter} scope="col" className="px-3 py-1.5 text-right font-normal">
                {letter}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {forms.map((form) => (
            <tr key={form.letter} className="border-hairline border-b last:border-b-0">
              <th scope="row" className="px-3 py-1.5 text-left font-semibold">
                {words.form({ letter: form.letter })}
              </th>
              <td className="px-3 py-1.5 text-right">{rounded(form.points)}</td>
              <td className="px-3 py-1.5 text-right">{said(form.minutes)}</td>
              <td className="px-3 py-1.5 text-right">{said(form.difficulty)}</td>
              {letters.map((letter) => (
                <td key={letter} className="px-3 py-1.5 text-right">
                  {form.balance[letter] ?? 0}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
