import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { call } from '@/api/client'
import type * as schema from '@/api/schema'
import type { StimulusUses } from '@/api/stimuli'
import { texts } from '@/messages'
import { kindWords } from '@/parts/words'
import { UsedIn } from '@/question/UsedIn'

const SOME = 20

/** The questions of its bank that show a stimulus, and the assessments that ask them. */
export function Uses({ id, bank, uses }: { id: string; bank: string; uses: StimulusUses }) {
  const filter = `stimulus=${id}`
  const found = useQuery({
    queryKey: ['bank', bank, 'questions', filter, 'some'],
    queryFn: async () => (await call<schema.Answers['GET /banks/{bank}/questions']>('GET', `/banks/${bank}/questions?${filter}`)).body,
    enabled: uses.questions > 0,
  })
  const rows = found.data?.data.slice(0, SOME) ?? []
  if (uses.questions === 0) return <p className="text-quiet">{texts.stimuli.noUses}</p>
  return (
    <section aria-label={texts.stimuli.uses} className="flex flex-col gap-2">
      <p className="font-semibold">
        {texts.stimuli.reach({ n: uses.questions, inAssessments: uses.assessments.length + uses.others, approved: uses.approved })}
      </p>
      <ul>
        {rows.map((row) => (
          <li key={row.id} className="flex gap-3 border-hairline border-b py-1">
            <Link className="min-w-0 flex-1 truncate text-accent underline" to={`/banks/${bank}?${filter}&question=${row.id}`}>
              {row.title}
            </Link>
            <span className="text-caption text-second">{kindWords(row.kinds)}</span>
          </li>
        ))}
      </ul>
      {uses.questions > rows.length && found.data ? (
        <Link className="text-accent underline" to={`/banks/${bank}?${filter}`}>
          {texts.stimuli.seeQuestions({ n: uses.questions })}
        </Link>
      ) : null}
      <UsedIn uses={uses} />
    </section>
  )
}
