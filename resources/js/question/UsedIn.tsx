import { Link } from 'react-router'
import type { Uses } from '@/api/assembly'
import { texts } from '@/messages'

/** The assessments that ask a question. */
export function UsedIn({ uses, here }: { uses: Uses; here?: string }) {
  const some = uses.assessments.filter((one) => one.id !== here)
  return (
    <section aria-label={texts.assembly.used} className="text-caption text-second">
      <strong>{texts.assembly.used}:</strong>{' '}
      {some.length === 0 && uses.others === 0 ? (here ? texts.assembly.usedOnlyHere : texts.assembly.usedNowhere) : null}
      {some.map((one, i) => (
        <span key={one.id}>
          {i > 0 ? ', ' : ''}
          <Link className="text-accent underline" to={`/assessments/${one.id}`}>
            {one.title}
          </Link>
        </span>
      ))}{' '}
      {uses.others > 0 ? texts.assembly.usedOthers({ n: uses.others, more: some.length > 0 }) : ''}
    </section>
  )
}
