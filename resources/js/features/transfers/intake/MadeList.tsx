import { useInfiniteQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { stagedQuery } from '@/api/intakes'
import { texts } from '@/messages'

/** The questions an intake brought in or replaced, each with its way there. */
export function MadeList({ intake, way }: { intake: string; way: 'added' | 'replaced' }) {
  const pages = useInfiniteQuery(stagedQuery(intake, `show=${way}`))
  const rows = pages.data?.pages[0]?.data ?? []
  const found = pages.data?.pages[0]?.meta.found ?? 0
  if (rows.length === 0) return null
  return (
    <section aria-label={texts.intake.outcomes[way] ?? ''}>
      <h3 className="mb-1 font-semibold">{texts.intake.outcomes[way]}</h3>
      <ol className="columns-2 gap-8 max-md:columns-1">
        {rows.map((row) => (
          <li key={row.id} className="truncate">
            <span className="text-quiet tabular-nums">{texts.intake.number({ n: row.number })}</span>{' '}
            {row.question_id ? (
              <Link className="text-accent hover:underline" to={`/questions/${row.question_id}`}>
                {row.title}
              </Link>
            ) : (
              row.title
            )}
          </li>
        ))}
      </ol>
      {found > rows.length ? <p className="text-quiet">{texts.intake.moreMade({ n: found - rows.length })}</p> : null}
    </section>
  )
}
