import type { Migration } from '@/api/migration'
import { texts } from '@/messages'
import { Message } from '@/ui/Message'
import { TallyLines } from './TallyLines'

const words = texts.migration.tally

/** What was stated against what was found, what does not add up first; and what each quiz will ask. */
export function Tally({ held }: { held: Migration }) {
  const wrong = held.tally.filter((line) => !line.agrees).length
  const assumed = held.lines.filter((line) => !line.known).length
  return (
    <section aria-label={words.title} className="flex flex-col gap-3">
      <h2 className="font-semibold text-title">{words.title}</h2>
      {held.tally.length === 0 ? (
        <p className="text-second">{words.none}</p>
      ) : wrong > 0 ? (
        <Message look="problem">{words.differs({ n: wrong })}</Message>
      ) : (
        <Message look="done">{words.agrees({ n: held.tally.length })}</Message>
      )}
      {assumed > 0 ? <p className="text-second">{words.assumed({ n: assumed })}</p> : null}
      {held.tally.length > 0 ? <TallyLines lines={held.tally} quizzes={held.quizzes} /> : null}
    </section>
  )
}
