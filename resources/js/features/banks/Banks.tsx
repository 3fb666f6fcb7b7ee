import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { banksQuery } from '@/api/queries'
import type { Bank } from '@/api/schema'
import { managedBy, sharedWith } from '@/lib/phrases/banks'
import { useAddress } from '@/lib/useAddress'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { useCommands } from '@/ui/commands'
import { Nothing } from '@/ui/Message'
import { Strata } from '@/ui/Strata'
import { AboutDialog } from './AboutDialog'

const tones: [string, string][] = [
  ['retired', 'bg-edge'],
  ['draft', 'bg-hairline'],
  ['in_review', 'bg-attention'],
  ['approved', 'bg-accent'],
]

export function Banks() {
  const banks = useQuery(banksQuery)
  const { address, set } = useAddress()
  const navigate = useNavigate()
  const [making, setMaking] = useState(false)
  const words = address.get('words') ?? ''
  const withArchived = address.has('archived')
  useCommands('banks', [{ id: 'make', group: texts.frame.groups.here, title: texts.banks.make, run: () => setMaking(true) }])
  const all = banks.data ?? []
  const archived = all.filter((bank) => bank.archived).length
  const shown = all.filter((bank) => (withArchived || !bank.archived) && meets(bank, words))
  return (
    <Shell
      title={texts.banks.title}
      crumbs={[{ title: texts.banks.title }]}
      search={{ label: texts.frame.searchBanks, value: words, onChange: (typed) => set('words', typed) }}
      actions={
        <>
          <Button onClick={() => navigate(`/find${words ? `?words=${encodeURIComponent(words)}` : ''}`)}>{texts.bank.catalogue}</Button>
          <Button look="primary" onClick={() => setMaking(true)}>
            {texts.banks.make}
          </Button>
        </>
      }
    >
      <div className="h-full overflow-y-auto">
        <Asked query={banks} />
        {banks.data?.length === 0 ? <Nothing title={texts.banks.none}>{texts.banks.noneNext}</Nothing> : null}
        {all.length > 0 && shown.length === 0 ? <Nothing title={texts.banks.nothingFound({ words })} /> : null}
        <ul className="mx-auto max-w-240 p-4">
          {shown.map((bank) => (
            <BankRow key={bank.id} bank={bank} />
          ))}
        </ul>
        {archived > 0 ? (
          <p className="mx-auto max-w-240 px-4 pb-6">
            <label className="flex items-center gap-2">
              <input type="checkbox" checked={withArchived} onChange={(event) => set('archived', event.target.checked ? 'yes' : '')} />
              {texts.banks.archivedOnes({ n: archived })}
            </label>
          </p>
        ) : null}
      </div>
      {making ? <AboutDialog onClose={() => setMaking(false)} /> : null}
    </Shell>
  )
}

/** Every word stands somewhere in what is said of a bank, from the beginning of a word. */
function meets(bank: Bank, words: string): boolean {
  const said = ` ${[bank.name, bank.purpose, bank.subject, bank.level, bank.course, bank.term, ...bank.keepers].join(' ')}`.toLowerCase()
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => said.includes(` ${word}`) || word === '')
}

function BankRow({ bank }: { bank: Bank }) {
  const about = [bank.subject, bank.level, bank.course, bank.term].filter((one) => one !== '')
  return (
    <li className="flex items-center gap-4 border-hairline border-b py-4">
      <Strata
        label={texts.banks.strata}
        layers={tones.map(([status, tone]) => ({ name: texts.status[status] ?? status, count: Number(bank.strata[status] ?? 0), tone }))}
      />
      <div className="min-w-0 flex-1">
        <h2 className="text-head font-semibold">
          <Link to={`/banks/${bank.slug}`} className="text-ink hover:text-accent hover:underline">
            {bank.name}
          </Link>
          {bank.archived ? <span className="ml-2 font-normal text-caption text-quiet">{texts.banks.archived}</span> : null}
        </h2>
        <p className="text-second">{bank.purpose}</p>
        <p className="text-caption text-quiet">
          {[...about, texts.banks.role[bank.my_role], managedBy(bank.keepers), sharedWith(bank.shared_with)]
            .filter((one) => one)
            .join(' · ')}
        </p>
      </div>
      <dl className="flex flex-none flex-col items-end">
        <dt className="sr-only">{texts.banks.strata}</dt>
        <dd className="font-semibold">{texts.banks.count({ n: bank.question_count })}</dd>
        {tones.map(([status, tone]) =>
          bank.strata[status] ? (
            <dd key={status} className="flex items-center gap-1.5 text-caption text-second">
              {String(bank.strata[status])} {texts.status[status]}
              <span aria-hidden="true" className={`h-1.5 w-3 border border-edge ${tone}`} />
            </dd>
          ) : null,
        )}
      </dl>
    </li>
  )
}
