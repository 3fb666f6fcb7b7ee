import { useState } from 'react'
import { Link } from 'react-router'
import type { Bank } from '@/api/schema'
import type { Coverage } from '@/api/standards'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { gapWords } from './CoveragePicture'
import type { CoverageAddress } from './useCoverageAddress'
import { WriteHere } from './WriteHere'

const words = texts.coverage
const FIRST = 12
/** On paper there is no button for more. */
const PRINTED = 300
type Props = { at: CoverageAddress; coverage: Coverage; framework: string; onPick: (node: string) => void; banks: Bank[] }

/** Empty and thin places, the emptiest first; and what is in no layer at all, one step from listing and tagging it. */
export function Thinnest({ at, coverage, framework, onPick, banks }: Props) {
  const [all, setAll] = useState(false)
  const nodes = new Map(coverage.nodes.map((one) => [one.id, one]))
  const shown = all ? coverage.thin : coverage.thin.slice(0, PRINTED)
  const { without, no_difficulty, no_purpose } = coverage.totals
  const only = at.topics !== '' && at.banks.length === 0 ? [at.topics] : at.banks
  const search = (said: string) =>
    only.length === 1 ? `/banks/${only[0]}?${said}` : `/find?${[said, ...only.map((one) => `bank=${one}`)].join('&')}`
  const untagged = at.topics === '' ? search(`not-framework=${framework}`) : search('no=topic')
  const bench = banks.find((one) => one.slug === only[0] && one.my_role !== 'reader')
  return (
    <>
      {without > 0 && at.assessment === '' ? (
        <div className="flex flex-wrap items-center gap-3 rounded-ui bg-attention-tint px-3 py-2 text-attention">
          <p className="min-w-0 flex-1">{words.without({ n: without })}</p>
          <Link className="font-semibold underline print:hidden" to={untagged}>
            {words.listThem}
          </Link>
          {only.length === 1 && bench ? (
            <Link
              className="font-semibold underline print:hidden"
              to={`/banks/${bench.slug}/tagging?${at.topics === '' ? `tree=${framework}` : 'topics=1'}`}
            >
              {words.tagThem}
            </Link>
          ) : null}
        </div>
      ) : null}
      {at.by === 'difficulty' && no_difficulty > 0 && at.assessment === '' ? (
        <p className="text-attention">
          {words.noDifficulty({ n: no_difficulty })}{' '}
          <Link className="underline print:hidden" to={search('no=difficulty')}>
            {words.listThem}
          </Link>
        </p>
      ) : null}
      {at.by === 'purpose' && no_purpose > 0 && at.assessment === '' ? (
        <p className="text-attention">
          {words.noPurpose({ n: no_purpose })}{' '}
          <Link className="underline print:hidden" to={search('no=purpose')}>
            {words.listThem}
          </Link>
        </p>
      ) : null}
      <div>
        <h2 className="mb-1 text-head font-semibold">{words.thinnest}</h2>
        {coverage.thin.length === 0 ? <p className="text-second">{words.noThin}</p> : null}
        <ul>
          {shown.map((one, i) => {
            const node = nodes.get(one.node)
            if (!node) return null
            const name = node.title || node.text
            return (
              <li
                key={one.node}
                className={`${all || i < FIRST ? 'flex' : 'hidden print:flex'} items-center gap-3 border-hairline border-b py-0.5`}
              >
                <button
                  type="button"
                  className="min-h-7 min-w-0 flex-1 truncate text-left hover:underline"
                  onClick={() => onPick(one.node)}
                >
                  <span className="font-mono text-caption text-quiet">{node.code}</span> {name}
                </button>
                <span className="flex-none text-attention">{gapWords(at, { thin: one })}</span>
                <span className="flex-none print:hidden">
                  <WriteHere at={at} banks={banks} node={one.node} value={one.missing[0] ?? null} name={`${words.write}: ${name}`} />
                </span>
              </li>
            )
          })}
        </ul>
        {coverage.thin.length > FIRST && !all ? (
          <Button look="quiet" className="print:hidden" onClick={() => setAll(true)}>
            {words.more({ n: coverage.thin.length - FIRST })}
          </Button>
        ) : null}
      </div>
    </>
  )
}
