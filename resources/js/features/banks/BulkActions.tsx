import { useQuery } from '@tanstack/react-query'
import { useParams } from 'react-router'
import { type Act, actQuery, actsQuery } from '@/api/acts'
import { bankQuery } from '@/api/queries'
import { ActReceipt } from '@/bulk/Receipt'
import { summary } from '@/bulk/summary'
import { moment } from '@/lib/format'
import { useAddress } from '@/lib/useAddress'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { ListAndReading } from '@/ui/ListAndReading'
import { Nothing } from '@/ui/Message'

const words = texts.acts

/** What was done to many questions of a bank at once, and the receipt of each. */
export function Acts() {
  const slug = useParams().slug ?? ''
  const { address, change } = useAddress()
  const bank = useQuery(bankQuery(slug))
  const acts = useQuery(actsQuery(slug))
  const picked = address.get('act') ?? acts.data?.[0]?.act
  const pick = (id: string | null) => change((next) => (id === null ? next.delete('act') : next.set('act', id)))
  const list = (
    <div className="h-full overflow-y-auto">
      <p className="border-hairline border-b px-4 py-2 text-second">{words.about}</p>
      <Asked query={acts} />
      {acts.data?.length === 0 ? <Nothing title={words.none} /> : null}
      <ul>
        {(acts.data ?? []).map((act) => (
          <li key={act.act}>
            <Row act={act} on={act.act === picked} onPick={() => pick(act.act)} />
          </li>
        ))}
      </ul>
    </div>
  )
  return (
    <Shell
      title={words.title}
      crumbs={[{ title: texts.banks.title, to: '/banks' }, { title: bank.data?.name ?? '…', to: `/banks/${slug}` }, { title: words.title }]}
    >
      <ListAndReading
        name="acts"
        list={{ id: 'acts', label: words.title, body: list, size: 380, min: 280, max: 600 }}
        reading={{
          label: words.receipt,
          body: picked ? (
            <>
              <Button className="m-3 md:hidden" onClick={() => pick(null)}>
                {texts.bank.back}
              </Button>
              <ActReceipt key={picked} id={picked} />
            </>
          ) : (
            <Nothing title={words.pick} />
          ),
        }}
        picked={address.has('act')}
      />
    </Shell>
  )
}

function Row({ act, on, onPick }: { act: Act; on: boolean; onPick: () => void }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={onPick}
      className={`-outline-offset-2 block w-full border-hairline border-b border-l-3 px-4 py-2 text-left ${on ? 'border-l-accent bg-paper' : 'border-l-transparent hover:bg-well'}`}
    >
      <span className="flex gap-3">
        <strong className="min-w-0 flex-1 truncate">
          {words.kind[act.kind]}
          {act.what ? `: ${summary(act.what)}` : ''}
        </strong>
        <span className="text-caption text-quiet">{act.undone ? words.undone : act.state === 'done' ? '' : words.states[act.state]}</span>
      </span>
      <span className="block">{words.counts({ changed: act.changed, left: act.left_count })}</span>
      <span className="block text-caption text-quiet">
        {words.by({ person: act.person ?? words.somebody, when: moment(act.created_at) })}
      </span>
    </button>
  )
}

/** One of them at its own address, as a notice links to it. */
export function ActScreen() {
  const id = useParams().id ?? ''
  const act = useQuery(actQuery(id))
  const bank = act.data?.bank
  return (
    <Shell
      title={words.receipt}
      crumbs={[
        { title: texts.banks.title, to: '/banks' },
        ...(bank ? [{ title: words.title, to: `/banks/${bank}/acts?act=${id}` }] : []),
        { title: words.receipt },
      ]}
    >
      {act.isError ? <Nothing title={act.error.message} /> : <ActReceipt id={id} />}
    </Shell>
  )
}
