import { useQuery } from '@tanstack/react-query'
import type { Blueprint, BlueprintContent } from '@/api/blueprints'
import { banksQuery } from '@/api/queries'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Chip } from '@/ui/Chip'
import { Menu } from '@/ui/Menu'

const words = texts.blueprints

type Props = {
  content: BlueprintContent
  stored: Blueprint
  mayWrite: boolean
  total: number | undefined
  onChange: (edit: (now: BlueprintContent) => BlueprintContent, place?: string) => void
}

/** Which questions are looked through: of which banks, of which status, and since when one counts as not used. */
export function Scope({ content, stored, mayWrite, total, onChange }: Props) {
  const banks = useQuery(banksQuery).data ?? []
  const chosen = content.banks ?? []
  const others = banks.filter((one) => !chosen.includes(one.id) && !one.archived)
  const statuses = content.statuses ?? ['approved', 'in_review', 'draft']
  const nameOf = (id: string) => banks.find((one) => one.id === id)?.name ?? stored.banks.find((one) => one.id === id)?.name
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-hairline border-b py-2">
      <span className="flex flex-wrap items-center gap-1.5">
        <span className="text-second">{words.from}</span>
        {chosen.map((id) => (
          <Chip
            key={id}
            {...(mayWrite
              ? {
                  onRemove: () => onChange((now) => ({ ...now, banks: (now.banks ?? []).filter((one) => one !== id) })),
                  removeName: words.removeBank({ name: nameOf(id) ?? words.hiddenBank }),
                }
              : {})}
          >
            {nameOf(id) ?? words.hiddenBank}
          </Chip>
        ))}
        {mayWrite && others.length > 0 ? (
          <Menu.Root button={<Button look="quiet">{words.addBank}</Button>}>
            {others.map((one) => (
              <Menu.Item key={one.id} onSelect={() => onChange((now) => ({ ...now, banks: [...(now.banks ?? []), one.id] }))}>
                {one.name}
              </Menu.Item>
            ))}
          </Menu.Root>
        ) : null}
      </span>
      <label className="flex items-center gap-2 text-second">
        {words.status}
        <select
          className="min-h-8 rounded-ui border border-edge bg-paper px-2 text-ink"
          disabled={!mayWrite}
          value={statuses.length === 1 && statuses[0] === 'approved' ? 'approved' : statuses.includes('draft') ? 'any' : 'reviewed'}
          onChange={(event) =>
            onChange((now) => ({
              ...now,
              statuses: { approved: ['approved'], reviewed: ['approved', 'in_review'], any: ['approved', 'in_review', 'draft'] }[
                event.target.value
              ] ?? ['approved'],
            }))
          }
        >
          <option value="approved">{words.scopeStatus.approved}</option>
          <option value="reviewed">{words.scopeStatus.reviewed}</option>
          <option value="any">{words.scopeStatus.any}</option>
        </select>
      </label>
      <label className="flex items-center gap-2 text-second">
        {words.markUnused}
        <input
          type="date"
          className="min-h-8 rounded-ui border border-edge bg-paper px-2 text-ink"
          disabled={!mayWrite}
          value={content.unused_since ?? ''}
          onChange={(event) => onChange((now) => ({ ...now, unused_since: event.target.value === '' ? null : event.target.value }))}
        />
      </label>
      <span className="flex-1 text-right text-second" role="status">
        {total === undefined ? '' : words.totalThere({ n: total })}
      </span>
    </div>
  )
}
