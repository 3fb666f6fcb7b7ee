import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { assessmentsQuery } from '@/api/assembly'
import { moment } from '@/lib/format'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { NewAssessment } from '@/shell/tray/NewAssessment'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { useCommands } from '@/ui/commands'
import { Nothing } from '@/ui/Message'

/** The assessments one may read. */
export function Assessments() {
  const rows = useQuery(assessmentsQuery)
  const [all, setAll] = useState(false)
  const archived = rows.data?.filter((row) => row.archived).length ?? 0
  const shown = rows.data?.filter((row) => all || !row.archived) ?? []
  const [making, setMaking] = useState(false)
  useCommands('assessments', [{ id: 'make', group: texts.frame.groups.here, title: texts.assembly.make, run: () => setMaking(true) }])
  return (
    <Shell
      title={texts.assembly.title}
      crumbs={[{ title: texts.assembly.title }]}
      actions={
        <Button look="primary" onClick={() => setMaking(true)}>
          {texts.assembly.make}
        </Button>
      }
    >
      <div className="h-full overflow-y-auto px-4">
        <Asked query={rows} />
        {rows.data?.length === 0 ? <Nothing title={texts.assembly.none}>{texts.assembly.noneNext}</Nothing> : null}
        {rows.data && rows.data.length > 0 ? (
          <table className="mx-auto my-4 w-full max-w-240">
            <thead>
              <tr className="border-edge border-b text-left text-caption text-quiet">
                <th className="py-2 pr-4 font-normal">{texts.assembly.columns.title}</th>
                <th className="pr-4 text-right font-normal">{texts.assembly.columns.questions}</th>
                <th className="pr-4 font-normal max-md:hidden">{texts.assembly.columns.bank}</th>
                <th className="font-normal max-sm:hidden">{texts.assembly.columns.at}</th>
              </tr>
            </thead>
            <tbody>
              {shown.map((row) => (
                <tr key={row.id} className="border-hairline border-b">
                  <td className="py-2.5 pr-4">
                    <Link className="text-head font-semibold text-ink hover:text-accent hover:underline" to={`/assessments/${row.id}`}>
                      {row.title}
                    </Link>{' '}
                    <span className="text-caption text-quiet">{texts.assembly.states[row.state]}</span>
                  </td>
                  <td className="pr-4 text-right tabular-nums">{row.questions}</td>
                  <td className="pr-4 text-second max-md:hidden">{row.bank_name}</td>
                  <td className="text-second max-sm:hidden">{moment(row.updated_at)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        ) : null}
        {archived > 0 ? (
          <p className="mx-auto mb-6 max-w-240">
            <Button look="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
              {all ? texts.assembly.hideArchived : texts.assembly.showArchived({ n: archived })}
            </Button>
          </p>
        ) : null}
      </div>
      {making ? <NewAssessment onClose={() => setMaking(false)} /> : null}
    </Shell>
  )
}
