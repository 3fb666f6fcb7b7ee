import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { type BulkChange, type Preview, previewQuery, type Target } from '@/api/acts'
import { previewSummary } from '@/lib/phrases/acts'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { Changes } from '@/question/Changes'
import { FieldChanges } from '@/question/record/FieldChanges'
import { Message } from '@/ui/Message'

const words = texts.acts.preview

/** What a change would do: how many, some of them before and after, and those that would be left with the reason. */
export function usePreview(slug: string, target: Target, change: BulkChange | null) {
  const asked = useDebouncedValue(change, 250)
  const preview = useQuery({
    ...previewQuery(slug, target, asked ?? {}),
    enabled: asked !== null && slug !== '',
    placeholderData: (before) => before,
  })
  return { ...preview, nothing: change === null }
}

export function PreviewPane({ preview }: { preview: ReturnType<typeof usePreview> }) {
  const data = preview.nothing ? undefined : preview.data
  return (
    <div className="flex flex-col gap-3">
      <p role="status" className="font-semibold">
        {preview.nothing ? words.nothing : data ? summary(data) : preview.isError ? '' : words.looking}
      </p>
      {preview.isError && !preview.nothing ? <Message look="problem">{preview.error.message}</Message> : null}
      {data && data.left.length > 0 ? (
        <div className="rounded-ui bg-attention-tint px-3 py-2 text-attention">
          <h3 className="font-semibold">{words.left}</h3>
          <ul>
            {data.left.map((one) => (
              <li key={one.id}>
                <strong>{one.title}</strong>: {one.why}
              </li>
            ))}
          </ul>
        </div>
      ) : null}
      {data?.uses && data.uses.assessments.length + data.uses.others > 0 ? (
        <div>
          <h3 className="font-semibold">{words.touches}</h3>
          <ul>
            {data.uses.assessments.map((one) => (
              <li key={one.id}>
                <Link to={`/assessments/${one.id}`} className="text-accent underline">
                  {one.title}
                </Link>
                : {texts.assembly.count({ n: one.questions })}
              </li>
            ))}
            {data.uses.others > 0 ? <li>{words.touchesOthers({ n: data.uses.others })}</li> : null}
          </ul>
        </div>
      ) : null}
      {data && data.sample.length > 0 ? (
        <>
          <p className="text-caption text-quiet empty:hidden">
            {data.sample.length < data.changes ? words.sample({ shown: data.sample.length }) : ''}
          </p>
          <ul className="flex flex-col gap-3">
            {data.sample.map((one) => (
              <li key={one.id} className="flex flex-col gap-1 border-hairline border-b pb-3">
                <h3 className="font-semibold">{one.title}</h3>
                <FieldChanges fields={one.fields} />
                {one.differences.length > 0 ? <Changes differences={one.differences} /> : null}
              </li>
            ))}
          </ul>
        </>
      ) : null}
    </div>
  )
}

function summary(data: Preview): string {
  const { looked, count, changes } = data
  if (looked < count) return changes === looked ? words.someAll({ looked, count }) : words.some({ looked, count, changes })
  return previewSummary(changes, data.left.length, looked - changes - data.left.length)
}
