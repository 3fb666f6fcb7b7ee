import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { lossesQuery, type What } from '@/api/dispatches'
import { texts } from '@/messages'
import { Message } from '@/ui/Message'

const words = texts.dispatch

/** What the chosen format cannot express, with the questions concerned. */
export function ExpectedLosses({ what, format, along }: { what: What; format: string; along: Record<string, boolean> }) {
  const found = useQuery(lossesQuery(what, format, along))
  if (found.isError) return <Message look="problem">{found.error.message}</Message>
  if (!found.data) return <p className="text-second">{words.looking}</p>
  const { losses, checked, of } = found.data
  return (
    <section aria-label={words.expected}>
      <h2 className="mb-1 font-semibold">{words.expected}</h2>
      {checked < of ? <p className="mb-1 text-second">{words.checkedFirst({ n: checked, of })}</p> : null}
      {losses.length === 0 ? <p className="text-second">{words.noneExpected}</p> : null}
      <ul className="flex flex-col gap-1.5">
        {losses.map((loss) => (
          <li key={loss.message}>
            {loss.questions.length === 0 ? (
              <span>{loss.message}</span>
            ) : (
              <details>
                <summary className="cursor-pointer">
                  {loss.message} <span className="text-second">({words.lossIn({ n: loss.count })})</span>
                </summary>
                <ul className="list-disc pl-8">
                  {loss.questions.map((one, i) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: one question may lose the same twice
                    <li key={i}>
                      <Link to={`/questions/${one.id}`} className="text-accent hover:underline">
                        {one.title || words.untitled}
                      </Link>
                    </li>
                  ))}
                  {loss.count > loss.questions.length ? <li>{words.more({ n: loss.count - loss.questions.length })}</li> : null}
                </ul>
              </details>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}
