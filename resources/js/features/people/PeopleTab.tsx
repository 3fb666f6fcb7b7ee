import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Ellipsis } from 'lucide-react'
import { useState } from 'react'
import { type Account, accountsQuery, changePerson } from '@/api/people'
import { meQuery } from '@/api/queries'
import { moment } from '@/lib/format'
import { texts } from '@/messages'
import { Asked } from '@/ui/Asked'
import { Menu } from '@/ui/Menu'
import { useToast } from '@/ui/Toasts'
import { HandOverDialog } from './HandOverDialog'

const words = texts.people

/** Everybody with an account, and what can be done with each. */
export function PeopleTab() {
  const people = useQuery(accountsQuery)
  const [handing, setHanding] = useState<Account | null>(null)
  return (
    <div className="px-4">
      <Asked query={people} />
      {people.data ? (
        <table className="mx-auto my-4 w-full max-w-240">
          <thead>
            <tr className="border-edge border-b text-left text-caption text-quiet">
              <th className="py-2 pr-4 font-normal">{words.columns.name}</th>
              <th className="pr-4 font-normal">{words.columns.state}</th>
              <th className="pr-4 text-right font-normal max-sm:hidden">{words.columns.banks}</th>
              <th className="pr-4 font-normal max-md:hidden">{words.columns.teams}</th>
              <th className="pr-4 font-normal max-md:hidden">{words.columns.seen}</th>
              <th className="font-normal">
                <span className="sr-only">{words.actions({ name: '' })}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {people.data.map((one) => (
              <Row key={one.id} one={one} onHandOver={() => setHanding(one)} />
            ))}
          </tbody>
        </table>
      ) : null}
      {handing ? <HandOverDialog from={handing} people={people.data ?? []} onClose={() => setHanding(null)} /> : null}
    </div>
  )
}

function Row({ one, onHandOver }: { one: Account; onHandOver: () => void }) {
  const client = useQueryClient()
  const tell = useToast()
  const me = useQuery(meQuery)
  const change = useMutation({
    mutationFn: (what: Parameters<typeof changePerson>[1]) => changePerson(one.id, what),
    onSuccess: () => tell({ text: words.done }),
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
    onSettled: () => client.invalidateQueries({ queryKey: ['admin'] }),
  })
  const state = one.disabled_at ? 'disabled' : one.invited ? 'invited' : 'active'
  const marks = [one.is_administrator ? words.isAdministrator : '', one.second_factor_on ? words.hasFactor : ''].filter(
    (mark) => mark !== '',
  )
  const isMe = me.data?.id === one.id
  return (
    <tr className={`border-hairline border-b ${one.disabled_at ? 'text-quiet' : ''}`}>
      <td className="py-2 pr-4">
        <span className="block font-semibold">{one.name}</span>
        <span className="text-caption text-second [overflow-wrap:anywhere]">{one.email}</span>
      </td>
      <td className="pr-4">
        {words.state[state]}
        {marks.length > 0 ? <span className="block text-caption text-second">{marks.join(', ')}</span> : null}
      </td>
      <td className="pr-4 text-right tabular-nums max-sm:hidden">{one.banks}</td>
      <td className="pr-4 text-second max-md:hidden">{one.teams.join(', ')}</td>
      <td className="pr-4 text-second max-md:hidden">{one.last_seen ? moment(one.last_seen) : ''}</td>
      <td className="text-right">
        <Menu.Root
          align="end"
          button={
            <button
              type="button"
              aria-label={words.actions({ name: one.name })}
              title={words.actions({ name: one.name })}
              className="inline-flex size-8 items-center justify-center rounded-ui hover:bg-well"
            >
              <Ellipsis size={16} aria-hidden="true" />
            </button>
          }
        >
          {one.banks > 0 ? <Menu.Item onSelect={onHandOver}>{words.handOver}</Menu.Item> : null}
          {one.invited ? <Menu.Item onSelect={() => change.mutate({ invite: true })}>{words.inviteAgain}</Menu.Item> : null}
          {one.second_factor_on ? (
            <Menu.Item onSelect={() => change.mutate({ second_factor_off: true })}>{words.resetFactor}</Menu.Item>
          ) : null}
          {isMe && one.is_administrator ? null : (
            <Menu.Item onSelect={() => change.mutate({ administrator: !one.is_administrator })}>
              {one.is_administrator ? words.removeAdministrator : words.makeAdministrator}
            </Menu.Item>
          )}
          {isMe ? null : (
            <Menu.Item onSelect={() => change.mutate({ disabled: one.disabled_at === null })}>
              {one.disabled_at ? words.enable : words.disable}
            </Menu.Item>
          )}
        </Menu.Root>
      </td>
    </tr>
  )
}
