import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Link } from 'react-router'
import { type AssessmentRow, binnedAssessmentsQuery, restoreAssessment } from '@/api/assembly'
import { moment } from '@/lib/format'
import { texts } from '@/messages'
import { folderText } from '@/shell/tray/PlaceFields'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Nothing } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'

/** Assessments in the bins of banks one may write in: looked at, and restored. */
export function BinnedAssessments() {
  const rows = useQuery(binnedAssessmentsQuery)
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
  return (
    <div className="h-full overflow-y-auto px-4">
      <Asked query={rows} />
      {rows.data?.length === 0 ? <Nothing title={texts.assembly.binEmpty} /> : null}
      {rows.data && rows.data.length > 0 ? (
        <>
          <p className="mx-auto mt-4 max-w-240 text-second">{texts.assembly.binAbout}</p>
          <ul className="mx-auto my-4 max-w-240 divide-y divide-hairline border-hairline border-y">
            {rows.data.map((row) => (
              <li key={row.id} className="flex flex-wrap items-center gap-4 py-2.5">
                <div className="min-w-0 flex-1">
                  <Link className="text-head font-semibold text-ink hover:text-accent hover:underline" to={`/assessments/${row.id}`}>
                    {row.title}
                  </Link>
                  <span className="block text-second">{folderText([row.bank_name, ...row.folder])}</span>
                </div>
                <span className="text-second">{row.binned_at ? moment(row.binned_at) : ''}</span>
                <Button
                  aria-label={`${texts.assembly.restore} “${row.title}”`}
                  aria-disabled={restore.isPending}
                  onClick={() => restore.mutate(row)}
                >
                  {texts.assembly.restore}
                </Button>
              </li>
            ))}
          </ul>
        </>
      ) : null}
    </div>
  )
}
