import type { Migration } from '@/api/migration'
import { texts } from '@/messages'

const words = texts.migration.tally

type Props = Pick<Migration, 'quizzes'> & { lines: Migration['tally'] }

/** The lines of a tally and the totals of its quizzes. */
export function TallyLines({ lines, quizzes }: Props) {
  const kinds = (found: Migration['tally'][number]['found']) =>
    Object.entries(found.kinds)
      .map(([kind, times]) => `${kind} ${times}`)
      .join(', ')
  return (
    <>
      <ul className="rounded-ui border border-hairline bg-paper">
        {lines.map((line, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a line is its place
          <li key={i} className="grid gap-x-4 border-hairline border-b px-3 py-1.5 last:border-b-0 md:grid-cols-[1fr_1fr_6rem]">
            <span>
              {line.stated ? (
                <>
                  <strong>{line.stated.quiz}</strong>:{' '}
                  {words.stated({ draw: line.stated.draw, of: line.stated.of || texts.migration.had.all })}
                </>
              ) : (
                <em>{words.unstated}</em>
              )}
            </span>
            <span className="text-second">
              {words.found({ n: line.found.pool })}
              {line.found.folder ? ` · ${line.found.folder.join(' › ')}` : ''}
              {Object.keys(line.found.kinds).length > 1 ? ` · ${kinds(line.found)}` : ''}
            </span>
            <span className={`text-right ${line.agrees ? 'text-accent' : 'text-problem'}`}>{line.agrees ? `✓ ${words.ok}` : '≠'}</span>
            {line.says.map((one) => (
              <span key={one.what} className="col-span-full">
                <span className="text-problem">{one.what}</span> <span className="text-second">{one.mend}</span>
              </span>
            ))}
          </li>
        ))}
      </ul>
      <table className="w-full max-w-140 border-separate border-spacing-0">
        <thead>
          <tr className="text-left text-caption text-second">
            <th className="pr-4 font-normal">{words.quiz}</th>
            {[words.questions, words.draws, words.asked, words.points].map((name) => (
              <th key={name} className="pr-4 text-right font-normal">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {quizzes.map((quiz) => (
            <tr key={quiz.title}>
              <th className="border-hairline border-t py-1 pr-4 text-left font-normal">{quiz.title}</th>
              {[quiz.questions, quiz.draws, quiz.asked, quiz.points].map((value, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: columns stay in their places
                <td key={i} className="border-hairline border-t py-1 pr-4 text-right tabular-nums">
                  {value}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
