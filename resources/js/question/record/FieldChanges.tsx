import type { FieldChange } from '@/api/acts'
import { texts } from '@/messages'

/** What a field of a record is called. */
export function fieldName(field: string): string {
  const known = texts.record as unknown as Record<string, unknown>
  return texts.acts.fields[field] ?? (typeof known[field] === 'string' ? (known[field] as string) : field)
}

/** A value of a record in a few words. */
export function written(value: unknown, field = ''): string {
  if (field === 'status' && (value === null || value === undefined)) return texts.status.draft ?? ''
  if (value === null || value === undefined || value === '') return texts.record.none
  if (value === true) return texts.acts.values.true ?? ''
  if (!Array.isArray(value))
    return typeof value === 'object' ? '…' : typeof value === 'string' ? (texts.status[value] ?? value) : String(value)
  return value.map(entry).join(', ')
}

function entry(one: unknown): string {
  if (Array.isArray(one)) return one.join(' › ')
  if (one === null || typeof one !== 'object') return String(one)
  return 'code' in one ? String(one.code) : '…'
}

/** Fields before and after. */
export function FieldChanges({ fields }: { fields: FieldChange[] }) {
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5">
      {fields.map(({ field, before, after }) => (
        <div key={field} className="contents">
          <dt className="text-caption text-quiet first-letter:uppercase">{fieldName(field)}</dt>
          <dd className="min-w-0 break-words">
            <del className="text-second">{written(before, field)}</del> <span aria-hidden="true">→</span>{' '}
            <ins className="text-accent no-underline">{written(after, field)}</ins>
          </dd>
        </div>
      ))}
    </dl>
  )
}
