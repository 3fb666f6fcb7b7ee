import { useQuery } from '@tanstack/react-query'
import { Link, useNavigate } from 'react-router'
import { banksQuery } from '@/api/queries'
import { coverageQuery, frameworksQuery } from '@/api/standards'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { frameworkName } from '@/standards/statementName'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Nothing } from '@/ui/Message'
import { Controls } from './Controls'
import { CoverageNode } from './CoverageNode'
import { CoveragePicture } from './CoveragePicture'
import { CoverageTable } from './CoverageTable'
import { rowsOf } from './rows'
import { Thinnest } from './Thinnest'
import { useCoverageAddress } from './useCoverageAddress'

const words = texts.coverage

/** What questions cover of a framework or of topics: layers of a cutaway, their table, and the thin places first. */
export function CoverageScreen() {
  const at = useCoverageAddress()
  const navigate = useNavigate()
  const frameworks = useQuery(frameworksQuery)
  const banks = useQuery(banksQuery).data ?? []
  const first = frameworks.data?.data[0]?.id ?? ''
  // nothing chosen: the first framework there is
  const framework = at.framework === '' && at.topics === '' ? first : at.framework
  const query = at.query(framework, at.banks)
  const coverage = useQuery(coverageQuery(query))
  const beside = useQuery(coverageQuery(at.beside === '' ? '' : at.query(framework, [at.beside])))
  const bankName = (slug: string) => banks.find((one) => one.slug === slug)?.name ?? slug
  const title =
    at.topics === ''
      ? (frameworks.data?.data.filter((one) => one.id === framework).map(frameworkName)[0] ?? texts.frame.coverage)
      : words.topicsOf({ bank: bankName(at.topics) })
  const data = coverage.data
  const rows = data ? rowsOf(data, at.levels, at.unit) : []
  const chosen = data?.nodes.find((one) => one.id === at.node)
  const pick = (node: string) => at.set('node', node === at.node ? '' : node, true)
  return (
    <div data-print-page="">
      <Shell
        title={`${texts.frame.coverage}: ${title}`}
        crumbs={[{ title: texts.frame.coverage, to: '/coverage' }, { title }]}
        aside={data ? words.total({ all: data.totals.all, without: data.totals.without }) : null}
        actions={
          <>
            <Button onClick={() => at.set('view', at.view === 'table' ? '' : 'table')}>
              {at.view === 'table' ? words.asPicture : words.asTable}
            </Button>
            <Button onClick={() => window.print()}>{words.print}</Button>
            <a
              className="inline-flex min-h-8 items-center font-semibold text-accent hover:underline"
              href={`/api/v1/coverage/table?${query}`}
              download
            >
              {words.csv}
            </a>
            <Link className="inline-flex min-h-8 items-center font-semibold text-accent hover:underline" to="/frameworks">
              {words.manage}
            </Link>
          </>
        }
      >
        {frameworks.data && frameworks.data.data.length === 0 && at.topics === '' ? (
          <Nothing title={words.none}>
            <p>{words.noneNext}</p>
            <Button look="primary" className="mt-3" onClick={() => navigate('/frameworks')}>
              {texts.standards.bringIn}
            </Button>
          </Nothing>
        ) : (
          <div className="grid h-full grid-cols-[minmax(0,1fr)_minmax(360px,42%)] max-lg:grid-cols-1 max-lg:overflow-y-auto">
            <section aria-label={texts.frame.coverage} data-print="" className="overflow-y-auto bg-well px-5 py-4 max-lg:overflow-visible">
              <Controls at={at} framework={framework} banks={banks} frameworks={frameworks.data?.data ?? []} />
              <Asked query={coverage} />
              {data && at.view === 'picture' ? (
                <CoveragePicture
                  label={words.cut({ framework: title })}
                  at={at}
                  coverage={data}
                  beside={beside.data}
                  rows={rows}
                  onPick={pick}
                />
              ) : null}
              {data && at.view === 'table' ? (
                <CoverageTable at={at} coverage={data} beside={beside.data} rows={rows} onPick={pick} />
              ) : null}
            </section>
            <section
              aria-label={chosen ? chosen.title || chosen.text : words.thinnest}
              data-print=""
              className="flex flex-col gap-6 overflow-y-auto border-hairline border-l bg-paper px-6 py-4 max-lg:overflow-visible"
            >
              {chosen && data ? <CoverageNode at={at} query={query} node={chosen} coverage={data} banks={banks} /> : null}
              {data ? <Thinnest at={at} coverage={data} framework={framework} onPick={pick} banks={banks} /> : null}
            </section>
          </div>
        )}
      </Shell>
    </div>
  )
}
