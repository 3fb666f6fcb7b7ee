import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { type AssessmentRow, assessmentsQuery, binnedAssessmentsQuery, restoreAssessment } from '@/api/assembly'
import { moment } from '@/lib/format'
import { useAddress } from '@/lib/useAddress'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { NewAssessment } from '@/shell/tray/NewAssessment'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { useCommands } from '@/ui/commands'
import { Nothing } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'

/** The assessments one may read. */
export function Assessments() {
  const { address, set } = useAddress()
  const isBin = address.get('is') === 'binned'
  const rows = useQuery(isBin ? binnedAssessmentsQuery : assessmentsQuery)
  const client = useQueryClient()
  const tell = useToast()
  const restore = useMutation({
    mutationFn: (row: AssessmentRow) => restoreAssessment(row.id),
    onSuccess: (_, row) => {
      client.invalidateQueries({ queryKey: ['assessments'] })
      tell({ text: texts.assembly.restored({ title: row.title }) })
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  const [all, setAll] = useState(false)
  const archived = rows.data?.filter((row) => row.archived).length ?? 0
  const shown = rows.data?.filter((row) => all || !row.archived) ?? []
  const [making, setMaking] = useState(false)
  const [picked, setPicked] = useState<string[]>([])
  const [isMerging, setMerging] = useState(false)
  const merged = shown.filter((row) => picked.includes(row.id))
  useCommands('assessments', [
    { id: 'make', group: texts.frame.groups.here, title: texts.assembly.make, run: () => setMaking(true) },
    { id: 'bin', group: texts.frame.groups.here, title: texts.assembly.bin, run: () => set('is', 'binned') },
  ])
  return (
    <Shell
      title={isBin ? texts.assembly.bin : texts.assembly.title}
      crumbs={
        isBin ? [{ title: texts.assembly.title, to: '/assessments' }, { title: texts.assembly.bin }] : [{ title: texts.assembly.title }]
      }
      actions={
        <>
          {!isBin && merged.length > 1 ? (
            <Button onClick={() => setMerging(true)}>{texts.assembly.merge.go({ n: merged.length })}</Button>
          ) : null}
          <Button onClick={() => set('is', isBin ? '' : 'binned')}>{isBin ? texts.assembly.toList : texts.assembly.bin}</Button>
          <Button look="primary" onClick={() => setMaking(true)}>
            {texts.assembly.make}
          </Button>
        </>
      }
    >
      <div className="h-full overflow-y-auto px-4">
        <Asked query={rows} />
        {rows.data?.length === 0 && isBin ? <Nothing title={texts.assembly.binEmpty} /> : null}
        {rows.data?.length === 0 && !isBin ? <Nothing title={texts.assembly.none}>{texts.assembly.noneNext}</Nothing> : null}
        {isBin && rows.data && rows.data.length > 0 ? (
          <p className="mx-auto mt-4 max-w-240 text-second">{texts.assembly.binAbout}</p>
        ) : null}
        {rows.data && rows.data.length > 0 ? (
          <table className="mx-auto my-4 w-full max-w-240">
            <thead>
              <tr className="border-edge border-b text-left text-caption text-quiet">
                {isBin ? null : <td />}
                <th className="py-2 pr-4 font-normal">{texts.assembly.columns.title}</th>
                <th className="pr-4 text-right font-normal">{texts.assembly.columns.questions}</th>
                <th className="pr-4 font-normal max-md:hidden">{texts.assembly.columns.bank}</th>
                <th className="font-normal max-sm:hidden">{texts.assembly.columns.at}</th>
                {isBin ? <td /> : null}
              </tr>
            </thead>
            <tbody>
              {shown.map((row) => (
                <tr key={row.id} className="border-hairline border-b">
                  {isBin ? null : (
                    <td className="w-8">
                      <input
                        type="checkbox"
                        className="size-4 accent-accent"
                        aria-label={texts.assembly.merge.select({ title: row.title })}
                        checked={picked.includes(row.id)}
                        onChange={(event) => setPicked(event.target.checked ? [...picked, row.id] : picked.filter((one) => one !== row.id))}
                      />
                    </td>
                  )}
                  <td className="py-2.5 pr-4">
                    <Link className="text-head font-semibold text-ink hover:text-accent hover:underline" to={`/assessments/${row.id}`}>
                      {row.title}
                    </Link>{' '}
                    <span className="text-caption text-quiet">{texts.assembly.states[row.state]}</span>
                  </td>
                  <td className="pr-4 text-right tabular-nums">{row.questions}</td>
                  <td className="pr-4 text-second max-md:hidden">{row.bank_name}</td>
                  <td className="text-second max-sm:hidden">{moment(row.updated_at)}</td>
                  {isBin ? (
                    <td className="text-right">
                      <Button
                        aria-label={`${texts.assembly.restore} “${row.title}”`}
                        aria-disabled={restore.isPending}
                        onClick={() => restore.mutate(row)}
                      >
                        {texts.assembly.restore}
                      </Button>
                    </td>
                  ) : null}
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
      {isMerging ? <NewAssessment merge={merged} onClose={() => setMerging(false)} /> : null}
    </Shell>
  )
}
