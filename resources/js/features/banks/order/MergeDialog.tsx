import { useState } from 'react'
import type { TreeName } from '@/api/actions'
import { mergeNodes } from '@/api/order'
import { MaybeFollow } from '@/bulk/MaybeFollow'
import { useMany } from '@/bulk/useMany'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import type { TreeItem } from '@/ui/tree/items'
import { spotsFor } from '@/ui/tree/spots'
import { ordered } from '@/ui/tree/treeOrder'

const words = texts.order

/** A name without the number that a copy of it got. */
const bare = (name: string) =>
  name
    .toLowerCase()
    .replace(/\s*\(\d+\)$/, '')
    .trim()

/** One topic or folder of two. */
export function MergeDialog({
  slug,
  kind,
  item,
  items,
  onClose,
}: {
  slug: string
  kind: TreeName
  item: TreeItem
  items: TreeItem[]
  onClose: () => void
}) {
  const spots = spotsFor(items, item.id)
  const others = ordered(items).filter((one) => spots.inside(one.item))
  // Most often it is to become one with what is called the same.
  const [into, setInto] = useState(() => others.find((one) => bare(one.item.name) === bare(item.name))?.item.id ?? '')
  const many = useMany(() => mergeNodes(slug, kind, item.id, into), onClose)
  return (
    <MaybeFollow act={many.act} title={words.mergeTitle({ name: item.name })} onClose={onClose}>
      <FormDialog
        onClose={onClose}
        title={words.mergeTitle({ name: item.name })}
        about={words.mergeAbout}
        go={words.mergeGo}
        disabled={many.pending || into === ''}
        onSubmit={many.begin}
      >
        <Field.Root problem={many.problem}>
          <Field.Label>{words.mergeInto}</Field.Label>
          <Field.Choice value={into} onChange={(event) => setInto(event.target.value)}>
            <option value="">{words.mergePick}</option>
            {others.map(({ item: one, path }) => (
              <option key={one.id} value={one.id}>
                {path.join(' › ')} ({one.count ?? 0})
              </option>
            ))}
          </Field.Choice>
        </Field.Root>
        <p>{words.count({ count: item.count ?? 0 })}</p>
      </FormDialog>
    </MaybeFollow>
  )
}
