import { useQuery } from '@tanstack/react-query'
import type { QuestionJson, Specimen } from '@/api/question'
import { agreement } from '@/api/rubrics'
import { decimal, percent } from '@/lib/format'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'

const words = texts.marking

/** How far each person who marked specimens agrees with the marks that count. */
export function Agreement({ question, specimens }: { question: QuestionJson; specimens: Specimen[] }) {
  const isMarked = specimens.some((one) => one.markings?.length)
  const asked = useDebouncedValue(isMarked ? JSON.stringify({ ...question, record: { ...question.record, specimens } }) : '', 500)
  const found = useQuery({
    queryKey: ['agreement', asked],
    queryFn: () => agreement(JSON.parse(asked)),
    enabled: asked !== '',
    placeholderData: (before) => before,
    retry: false,
    gcTime: 0,
  })
  if (!isMarked || !found.data) return null
  const outdated = found.data.reduce((sum, one) => sum + one.outdated, 0)
  return (
    <section aria-label={words.agreement} className="mt-4">
      <h4 className="font-semibold">{words.agreement}</h4>
      <table className="w-full text-caption">
        <thead>
          <tr className="border-hairline border-b text-left text-second">
            {[words.by, words.specimens, words.exact, words.near].map((head) => (
              <th key={head} scope="col" className="font-normal">
                {head}
              </th>
            ))}
            <th scope="col" className="font-normal" title={words.kappaHint}>
              {words.kappa}
            </th>
          </tr>
        </thead>
        <tbody>
          {found.data.map((one) => (
            <tr key={one.by} className="border-hairline border-b">
              <th scope="row" className="text-left font-normal">
                {one.by}
              </th>
              <td>{one.specimens}</td>
              <td>{one.exact === null ? '' : percent(one.exact)}</td>
              <td>{one.within_one === null ? '' : percent(one.within_one)}</td>
              <td>{one.kappa === null ? words.noKappa : decimal(one.kappa)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-caption text-quiet">{words.kappaHint}</p>
      {outdated > 0 ? <p className="text-caption text-attention">{words.outdated({ n: outdated })}</p> : null}
    </section>
  )
}
