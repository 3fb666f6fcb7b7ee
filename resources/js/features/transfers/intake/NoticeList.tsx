import type { Notice } from '@/api/intakes'
import { placeInFile } from '@/lib/phrases/transfers'
import { texts } from '@/messages'

const tones = { problem: 'text-problem', loss: 'text-attention', note: 'text-information' }

/** What a reader had to say, the gravest first. */
export function NoticeList({ notices }: { notices: Notice[] }) {
  const order = ['problem', 'loss', 'note'] as const
  return (
    <>
      {order.map((severity) => {
        const some = notices.filter((one) => one.severity === severity)
        if (some.length === 0) return null
        return (
          <section key={severity} aria-label={texts.intake.notices[severity]}>
            <p className={`text-caption font-semibold ${tones[severity]}`}>{texts.intake.notices[severity]}</p>
            <ul className="flex flex-col gap-1">
              {some.map((one, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: the same may be said twice
                <li key={i}>
                  {one.message} <span className="text-caption text-quiet">{placeInFile(one.file, one.line)}</span>
                </li>
              ))}
            </ul>
          </section>
        )
      })}
    </>
  )
}
