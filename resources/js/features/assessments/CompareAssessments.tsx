import { useQuery } from '@tanstack/react-query'
import { Link, useParams } from 'react-router'
import { type Assessment, assessmentQuery, assessmentsQuery, comparedQuery, type Totals } from '@/api/assembly'
import { rounded } from '@/lib/format'
import { useAddress } from '@/lib/useAddress'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Asked } from '@/ui/Asked'
import { Field } from '@/ui/Field'
import { Nothing } from '@/ui/Message'
import { type By, lineName } from './TotalsPane'

const words = texts.assembly.compared
const BY = ['kinds', 'topics', 'standards', 'difficulties'] as const

/** Two assessments side by side: what they share, what is nearly the same, and how each is balanced. */
export function CompareAssessments() {
  const id = useParams().id ?? ''
  const { address, set } = useAddress()
  const other = address.get('with') ?? ''
  const here = useQuery(assessmentQuery(id))
  const there = useQuery({ ...assessmentQuery(other), enabled: other !== '' })
  const all = useQuery(assessmentsQuery)
  const title = here.data?.title ?? '…'
  return (
    <Shell
      title={words.title}
      crumbs={[{ title: texts.assembly.title, to: '/assessments' }, { title, to: `/assessments/${id}` }, { title: words.title }]}
    >
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls can be reached by keyboard */}
      <section aria-label={words.title} tabIndex={0} className="-outline-offset-2 h-full overflow-y-auto">
        <div className="mx-auto flex max-w-240 flex-col gap-6 p-6 max-md:p-4">
          <Field.Root>
            <Field.Label>{words.with}</Field.Label>
            <Field.Choice value={other} onChange={(event) => set('with', event.target.value, true)} className="max-w-120">
              <option value="">{words.pick}</option>
              {(all.data ?? [])
                .filter((one) => one.id !== id)
                .map((one) => (
                  <option key={one.id} value={one.id}>{`${one.title} (${one.bank_name})`}</option>
                ))}
            </Field.Choice>
          </Field.Root>
          <Asked query={here} />
          {other === '' ? <Nothing title={words.pickFirst} /> : <Asked query={there} />}
          {here.data && there.data ? <Compared here={here.data} there={there.data} /> : null}
        </div>
      </section>
    </Shell>
  )
}

function Compared({ here, there }: { here: Assessment; there: Assessment }) {
  const found = useQuery(comparedQuery(here.id, there.id))
  if (!found.data) return <Asked query={found} />
  const named = (of: { id: string; title: string }[], id: string) => of.find((one) => one.id === id)?.title || words.hidden
  return (
    <>
      {found.data.near.length > 0 ? (
        <section aria-label={words.near} className="flex flex-col gap-1">
          <h2 className="font-semibold text-attention text-head">{words.near}</h2>
          <p className="text-second">{words.nearAbout}</p>
          <ul>
            {found.data.near.map((pair) => (
              <li key={pair.here}>
                {words.nearPair({ here: named(found.data.only_here, pair.here), there: named(found.data.only_there, pair.there) })}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <div className="grid gap-6 md:grid-cols-3">
        <Questions title={words.both} rows={found.data.both} />
        <Questions title={words.onlyHere({ title: here.title })} rows={found.data.only_here} />
        <Questions title={words.onlyHere({ title: there.title })} rows={found.data.only_there} />
      </div>
      <table className="w-full">
        <caption className="pb-1 text-left font-semibold text-head">{words.balance}</caption>
        <thead className="text-caption text-quiet">
          <tr className="border-edge border-b">
            <td />
            {[here, there].map((one) => (
              <th key={one.id} scope="col" className="py-1 pl-3 text-left font-normal">
                {one.title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <Line name={words.all} cells={[here.totals, there.totals]} />
        </tbody>
        {BY.map((by) => (
          <Group key={by} by={by} here={here.totals} there={there.totals} />
        ))}
      </table>
    </>
  )
}

function Questions({ title, rows }: { title: string; rows: { id: string; title: string }[] }) {
  return (
    <section aria-label={title} className="flex flex-col gap-1">
      <h2 className="font-semibold">
        {title} <span className="font-normal text-second tabular-nums">{rows.length}</span>
      </h2>
      {rows.length === 0 ? <p className="text-second">{words.nothing}</p> : null}
      <ul>
        {rows.map((one) => (
          <li key={one.id}>
            {one.title === '' ? (
              <span className="text-quiet">{words.hidden}</span>
            ) : (
              <Link className="inline-block py-0.5 hover:text-accent hover:underline" to={`/questions/${one.id}`}>
                {one.title}
              </Link>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}

type Cell = { questions: number; points: number } | undefined

function Line({ name, cells }: { name: string; cells: [Cell, Cell] }) {
  return (
    <tr className="border-hairline border-b">
      <th scope="row" className="py-1 text-left font-normal">
        {name}
      </th>
      {cells.map((cell, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
        <td key={i} className={`pl-3 tabular-nums ${cell ? '' : 'text-quiet'}`}>
          {cell ? words.cell({ n: cell.questions, points: rounded(cell.points) }) : '–'}
        </td>
      ))}
    </tr>
  )
}

function Group({ by, here, there }: { by: By; here: Totals; there: Totals }) {
  const names = [...new Set([...here[by], ...there[by]].map((line) => line.name))]
  if (names.length === 0) return null
  return (
    <tbody>
      <tr>
        <th scope="rowgroup" colSpan={3} className="pt-4 pb-1 text-left">
          {texts.assembly.by[by]}
        </th>
      </tr>
      {names.map((name) => (
        <Line
          key={name}
          name={lineName(by, name)}
          cells={[here[by].find((line) => line.name === name), there[by].find((line) => line.name === name)]}
        />
      ))}
    </tbody>
  )
}
