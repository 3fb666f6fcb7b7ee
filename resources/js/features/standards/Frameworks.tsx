import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { frameworksQuery } from '@/api/standards'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { frameworkName } from '@/standards/statementName'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Nothing } from '@/ui/Message'
import { BringInDialog } from './BringInDialog'

const words = texts.standards

/** The frameworks of the organisation. */
export function Frameworks() {
  const frameworks = useQuery(frameworksQuery)
  const [bringing, setBringing] = useState(false)
  const rows = frameworks.data?.data ?? []
  return (
    <Shell
      title={words.title}
      crumbs={[{ title: texts.frame.coverage, to: '/coverage' }, { title: words.title }]}
      actions={
        frameworks.data?.keeps ? (
          <Button look="primary" onClick={() => setBringing(true)}>
            {words.bringIn}
          </Button>
        ) : null
      }
    >
      <div className="h-full overflow-y-auto px-4">
        <div className="mx-auto w-full max-w-240 py-4">
          <Asked query={frameworks} />
          {frameworks.data && rows.length === 0 ? <Nothing title={words.noFrameworks}>{words.noneNext}</Nothing> : null}
          <ul>
            {rows.map((one) => (
              <li key={one.id} className="border-hairline border-b py-3">
                <Link to={`/frameworks/${one.id}`} className="font-semibold text-accent hover:underline">
                  {frameworkName(one)}
                </Link>
                {one.retired ? <span className="pl-2 text-attention">{words.retired}</span> : null}
                <p className="text-caption text-second">
                  {words.counts({ statements: one.statements, n: one.questions })}
                  {one.publisher === '' ? '' : `. ${one.publisher}`}
                </p>
              </li>
            ))}
          </ul>
          {frameworks.data && !frameworks.data.keeps ? <p className="mt-4 text-caption text-quiet">{words.whoKeeps}</p> : null}
        </div>
      </div>
      {bringing ? <BringInDialog onClose={() => setBringing(false)} /> : null}
    </Shell>
  )
}
