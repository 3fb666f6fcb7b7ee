import { useMutation } from '@tanstack/react-query'
import { type DispatchBody, deliver } from '@/api/dispatches'
import { rounded } from '@/lib/format'
import { differences } from '@/lib/phrases/transfers'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Message } from '@/ui/Message'

const words = texts.dispatch

/** The receiving desk of the demo takes items of QTI 2.1 to 3.0, 500 at most. */
export const takes = (body: Partial<DispatchBody>): boolean =>
  ['qti21', 'qti22', 'qti30'].includes(body.format ?? '') && (body.questions ?? 0) <= 500

/** The file handed to another system in small, and what was sent beside what it counted. */
export function Delivery({ id, body }: { id: string; body: Partial<DispatchBody> }) {
  const send = useMutation({ mutationFn: () => deliver(id) })
  const there = send.data
  const rows: [string, number, number][] = there
    ? [
        [words.totals.questions ?? '', body.questions ?? 0, there.items],
        [words.totals.points ?? '', body.points ?? 0, there.points],
        [words.totals.media ?? '', body.media ?? 0, there.media],
        ...(body.tests ?? []).flatMap((test, i): [string, number, number][] => [
          [words.testOf({ title: test.title }), test.questions, there.tests[i]?.questions ?? 0],
          [words.drawsOf({ title: test.title }), test.draws, there.tests[i]?.draws ?? 0],
        ]),
      ]
    : []
  const agree = rows.every(([, sent, counted]) => Math.abs(sent - counted) < 0.001)
  return (
    <section className="mx-auto flex max-w-180 flex-col gap-3 px-6 pb-8 max-md:px-4" aria-label={words.deliver}>
      {there === undefined ? (
        <p>
          <Button aria-disabled={send.isPending} onClick={() => !send.isPending && send.mutate()}>
            {words.deliver}
          </Button>
        </p>
      ) : null}
      {send.isError ? <Message look="problem">{send.error.message}</Message> : null}
      {there?.refused ? (
        <Message look="problem">
          {words.notTaken}: {there.refused}
        </Message>
      ) : null}
      {there && !there.refused ? (
        <>
          <Message look={agree ? 'done' : 'attention'}>{agree ? words.agree : words.disagree}</Message>
          <table className="w-full max-w-140">
            <caption className="pb-1 text-left font-semibold">{words.delivered}</caption>
            <thead>
              <tr className="border-edge border-b text-caption text-quiet">
                <td />
                <th className="text-right font-normal">{words.sent}</th>
                <th className="text-right font-normal">{words.counted}</th>
              </tr>
            </thead>
            <tbody>
              {rows.map(([title, sent, counted]) => (
                <tr key={title} className="border-hairline border-b">
                  <th scope="row" className="py-1 text-left font-normal">
                    {title}
                  </th>
                  <td className="text-right tabular-nums">{rounded(sent)}</td>
                  <td className={`text-right tabular-nums ${Math.abs(sent - counted) < 0.001 ? '' : 'font-semibold text-attention'}`}>
                    {rounded(counted)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {agree ? null : <p>{differences(rows.filter(([, sent, counted]) => Math.abs(sent - counted) >= 0.001))}</p>}
          {there.left.map((one) => (
            <p key={`${one.title} ${one.why}`} className="text-second">
              {one.title}: {one.why}
            </p>
          ))}
        </>
      ) : null}
      {there ? (
        <p>
          <a href={`/stand-ins/receiving#${there.id}`} className="text-accent hover:underline">
            {words.seeDesk}
          </a>
        </p>
      ) : null}
    </section>
  )
}
