import { useQuery } from '@tanstack/react-query'
import type { CarryPreview } from '@/api/carry'
import { frameworksQuery } from '@/api/standards'
import { texts } from '@/messages'
import { control, Field } from '@/ui/Field'
import { type Draft, written } from './plan'

const words = texts.carry

/** So many topics are shown. */
const SOME = 200

type Props = { draft: Draft; preview: CarryPreview | undefined; onChange: (more: Partial<Draft>) => void }

/** Under which topics and standards the copies are filed there. */
export function Mappings({ draft, preview, onChange }: Props) {
  const frameworks = useQuery({ ...frameworksQuery, enabled: (preview?.frameworks.length ?? 0) > 0 })
  const topics = preview?.topics ?? []
  return (
    <>
      {topics.length > 0 ? (
        <section aria-label={words.topics} className="flex flex-col gap-2">
          <h2 className="font-semibold text-head">{words.topics}</h2>
          <p className="text-caption text-second">{words.topicsAbout}</p>
          <ul className="max-h-96 overflow-y-auto rounded-ui border border-hairline bg-paper">
            {topics.slice(0, SOME).map((one) => {
              const from = written(one.from)
              return (
                <li
                  key={from}
                  className="grid items-center gap-x-3 border-hairline border-b px-3 py-1.5 last:border-b-0 md:grid-cols-[1fr_1fr_5rem]"
                >
                  <span>
                    {from} <span className="text-caption text-second">{words.questions({ n: one.questions })}</span>
                  </span>
                  <input
                    aria-label={words.topicThere({ topic: from })}
                    className={control}
                    maxLength={1000}
                    value={draft.topics[from] ?? written(one.to ?? [])}
                    onChange={(event) => onChange({ topics: { ...draft.topics, [from]: event.target.value } })}
                  />
                  <span className="text-caption text-second">{one.is_new ? words.newTopic : ''}</span>
                </li>
              )
            })}
          </ul>
          {topics.length > SOME ? <p className="text-second">{words.moreTopics({ n: topics.length - SOME })}</p> : null}
        </section>
      ) : null}
      {(preview?.frameworks ?? []).length > 0 ? (
        <section aria-label={words.standards} className="flex flex-col gap-3">
          <h2 className="font-semibold text-head">{words.standards}</h2>
          {preview?.frameworks.map((one) => (
            <Field.Root key={one.id}>
              <Field.Label>{words.standardsOf({ framework: one.title })}</Field.Label>
              <Field.Choice
                value={draft.frameworks[one.id] ?? one.id}
                onChange={(event) => onChange({ frameworks: { ...draft.frameworks, [one.id]: event.target.value } })}
              >
                <option value={one.id}>{words.stays}</option>
                {(frameworks.data?.data ?? [])
                  .filter((other) => other.id !== one.id)
                  .map((other) => (
                    <option key={other.id} value={other.id}>
                      {words.become({ framework: `${other.title} ${other.version}`.trim() })}
                    </option>
                  ))}
                <option value="">{words.leaveOut}</option>
              </Field.Choice>
              {one.without > 0 ? (
                <p className="text-caption text-second">
                  {words.without({
                    n: one.without,
                    all: one.statements,
                    codes: one.named.join(', '),
                    more: one.without > one.named.length ? 'yes' : 'no',
                  })}
                </p>
              ) : null}
            </Field.Root>
          ))}
        </section>
      ) : null}
    </>
  )
}
