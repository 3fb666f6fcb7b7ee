import { useQuery } from '@tanstack/react-query'
import { Link, useNavigate, useParams } from 'react-router'
import { bankQuery } from '@/api/queries'
import { rubricsQuery } from '@/api/rubrics'
import { useAddress } from '@/lib/useAddress'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { ListAndReading } from '@/ui/ListAndReading'
import { Nothing } from '@/ui/Message'
import { RubricDesk } from './RubricDesk'

const words = texts.rubrics

/** The rubrics of a bank: written, changed for every question that follows them, taken away. */
export function Rubrics() {
  const slug = useParams().slug ?? ''
  const navigate = useNavigate()
  const bank = useQuery(bankQuery(slug))
  const rubrics = useQuery(rubricsQuery(slug))
  const { address, change } = useAddress()
  const picked = address.get('rubric') ?? ''
  const pick = (id: string) => change((next) => (id === '' ? next.delete('rubric') : next.set('rubric', id)), false)
  const rows = rubrics.data ?? []
  const mayWrite = bank.data?.may_write === true
  const shown = picked || rows[0]?.id || ''
  const list = (
    <div className="flex h-full flex-col">
      <div className="flex flex-none items-center gap-2 border-hairline border-b px-3 py-2">
        <strong className="flex-1">{words.count({ n: rows.length })}</strong>
        {mayWrite ? (
          <Button look="primary" onClick={() => pick('new')}>
            {words.write}
          </Button>
        ) : null}
      </div>
      <Asked query={rubrics} />
      {rubrics.data && rows.length === 0 && picked !== 'new' ? <Nothing title={words.none} /> : null}
      <ul className="min-h-0 flex-1 overflow-y-auto">
        {rows.map((row) => (
          <li key={row.id}>
            <Link
              to={`/banks/${slug}/rubrics?rubric=${row.id}`}
              aria-current={shown === row.id ? 'true' : undefined}
              className="block border-hairline border-b px-3 py-2 hover:bg-well aria-[current=true]:bg-accent-tint"
            >
              <span className="block truncate font-semibold">{row.title}</span>
              <span className="text-caption text-second">
                {[
                  texts.rubric.schemes[row.scheme as keyof typeof texts.rubric.schemes],
                  texts.rubric.upTo({ n: row.highest }),
                  words.uses({ n: row.uses ?? 0 }),
                ].join(' · ')}
              </span>
            </Link>
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
        name="rubrics"
        list={{ id: 'list', label: words.title, size: 320, min: 240, max: 480, body: list }}
        reading={{
          label: words.rubric,
          body:
            shown === '' ? null : (
              <RubricDesk
                key={shown}
                id={shown === 'new' ? null : shown}
                bank={slug}
                mayWrite={mayWrite}
                onKept={(id) => navigate(`/banks/${slug}/rubrics?rubric=${id}`)}
                onGone={() => pick('')}
              />
            ),
        }}
        picked={picked !== ''}
      />
    </Shell>
  )
}
