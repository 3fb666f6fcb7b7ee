import { useQuery } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { type Desk, deskQuery } from '@/api/desk'
import { moment } from '@/lib/format'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Asked } from '@/ui/Asked'

/** What each count of a bank leads to. */
const wants: [keyof Desk['waiting'][number], string][] = [
  ['failing', 'is=failing'],
  ['incomplete', 'is=incomplete'],
  ['in_review', 'status=in_review'],
  ['drafts', 'status=draft&is=complete'],
  ['untopiced', 'no=topic'],
  ['unnamed', 'no=name'],
]

/** Where a day begins: what was begun, what waits, what others changed. */
export function Home() {
  const desk = useQuery(deskQuery)
  return (
    <Shell title={texts.frame.desk} crumbs={[{ title: texts.frame.desk }]}>
      <div className="h-full overflow-y-auto">
        <Asked query={desk} />
        {desk.data ? (
          <div className="mx-auto grid max-w-280 grid-cols-2 items-start gap-x-10 gap-y-8 p-8 max-lg:grid-cols-1 max-md:p-4">
            <div className="flex flex-col gap-8">
              <Part title={texts.home.begun} nothing={texts.home.begunNothing} rows={desk.data.begun}>
                {(one) => (
                  <Line
                    key={one.to}
                    to={one.to}
                    title={one.title || (texts.home.untitled[one.what] ?? '')}
                    about={[one.bank, moment(one.at)]}
                  />
                )}
              </Part>
              {desk.data.intakes.length > 0 ? (
                <Part title={texts.home.intakes} nothing="" rows={desk.data.intakes}>
                  {(one) => <Line key={one.id} to={`/intakes/${one.id}`} title={one.title} about={[moment(one.at)]} />}
                </Part>
              ) : null}
              <Part title={texts.home.recent} nothing={texts.home.recentNothing} rows={desk.data.recent}>
                {(one) => <Line key={one.id} to={`/questions/${one.id}`} title={one.title} about={[one.bank, moment(one.at)]} />}
              </Part>
            </div>
            <div className="flex flex-col gap-8">
              <Part title={texts.home.waiting} nothing={texts.home.waitingNothing} rows={desk.data.waiting}>
                {(bank) => (
                  <li key={bank.slug} className="border-hairline border-b py-2">
                    <Link to={`/banks/${bank.slug}`} className="inline-block min-h-6 font-semibold hover:underline">
                      {bank.name}
                    </Link>
                    <ul className="flex flex-wrap gap-x-5">
                      {wants.map(([what, filter]) => {
                        const count = bank[what] as number
                        if (count === 0) return null
                        const words = texts.home[what as 'failing']({ n: count })
                        return (
                          <li key={what}>
                            <Link
                              to={`/banks/${bank.slug}?${filter}`}
                              className={`inline-block min-h-6 underline ${what === 'failing' ? 'text-problem' : what === 'incomplete' ? 'text-attention' : 'text-accent'}`}
                            >
                              {words}
                            </Link>
                          </li>
                        )
                      })}
                    </ul>
                  </li>
                )}
              </Part>
              <Part title={texts.home.changed} nothing={texts.home.changedNothing} rows={[...desk.data.acts, ...desk.data.changed]}>
                {(one) =>
                  'act' in one ? (
                    <Line
                      key={one.act}
                      to={`/acts/${one.act}`}
                      title={`${texts.acts.kind[one.kind]}: ${texts.acts.questions({ count: one.changed })}`}
                      about={[one.person, one.bank, moment(one.at)]}
                    />
                  ) : (
                    <Line
                      key={one.id}
                      to={`/banks/${one.slug}?question=${one.id}`}
                      title={one.title}
                      about={[
                        one.note === '' ? one.person : texts.home.change({ person: one.person, note: one.note }),
                        one.bank,
                        moment(one.at),
                      ]}
                    />
                  )
                }
              </Part>
            </div>
          </div>
        ) : null}
      </div>
    </Shell>
  )
}

function Part<Row>({ title, nothing, rows, children }: { title: string; nothing: string; rows: Row[]; children: (row: Row) => ReactNode }) {
  return (
    <section aria-label={title}>
      <h2 className="border-hairline border-b pb-1 text-head font-semibold">{title}</h2>
      {rows.length === 0 ? <p className="py-2 text-quiet">{nothing}</p> : <ul>{rows.map(children)}</ul>}
    </section>
  )
}

function Line({ to, title, about }: { to: string; title: string; about: string[] }) {
  return (
    <li className="border-hairline border-b py-1.5">
      <Link to={to} className="block truncate font-semibold text-accent hover:underline">
        {title}
      </Link>
      <span className="block truncate text-caption text-quiet">{about.filter((one) => one !== '').join(' · ')}</span>
    </li>
  )
}
