import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { addNode, changeNode, removeNode, type TreeName } from '@/api/actions'
import { usesQuery } from '@/api/order'
import { useActToast } from '@/bulk/useAct'
import { texts } from '@/messages'
import { control, Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'
import type { TreeItem } from '@/ui/tree/items'
import { ordered } from '@/ui/tree/treeOrder'
import { UsesList } from './UsesDialog'

/** What was asked for, of which folder or topic. */
export type TreeAsk = { what: 'make'; parent: TreeItem | null } | { what: 'rename' | 'move' | 'remove'; item: TreeItem }

/** New, rename, move and delete, each saying where or what it would mean. */
export function TreeDialog({
  slug,
  kind,
  items,
  asked,
  onClose,
}: {
  slug: string
  kind: TreeName
  items: TreeItem[]
  asked: TreeAsk
  onClose: () => void
}) {
  const client = useQueryClient()
  const tell = useToast()
  const told = useActToast()
  const uses = useQuery({ ...usesQuery(slug, kind, asked.what === 'remove' ? asked.item.id : ''), enabled: asked.what === 'remove' }).data
  const again = () => client.invalidateQueries({ queryKey: ['bank', slug] })
  const item = asked.what === 'make' ? null : asked.item
  const [name, setName] = useState(asked.what === 'rename' ? asked.item.name : '')
  const [parent, setParent] = useState(asked.what === 'make' ? (asked.parent?.id ?? '') : (item?.parent ?? ''))
  const below = item ? under(items, item.id) : []
  const act = useMutation({
    mutationFn: async () => {
      if (asked.what === 'make') await addNode(slug, kind, name, parent === '' ? null : parent)
      else if (asked.what === 'rename') await changeNode(slug, kind, asked.item.id, { name })
      else if (asked.what === 'move') await changeNode(slug, kind, asked.item.id, { parent: parent === '' ? null : parent })
      else return removeNode(slug, kind, asked.item.id)
      return null
    },
    onSuccess: (removed) => {
      again()
      const back =
        asked.what === 'rename'
          ? { id: asked.item.id, to: { name: asked.item.name } }
          : asked.what === 'move'
            ? { id: asked.item.id, to: { parent: asked.item.parent } }
            : null
      const said = {
        make: () => texts.tree.made({ name }),
        rename: () => texts.tree.renamed({ name }),
        move: () => texts.tree.moved({ name: item?.name ?? '', where: items.find((one) => one.id === parent)?.name ?? texts.tree.top }),
        remove: () => '',
      }
      if (removed) told(removed)
      else
        tell({
          text: said[asked.what](),
          ...(back
            ? {
                undo: () =>
                  changeNode(slug, kind, back.id, back.to).then(again, (problem: Error) =>
                    tell({ text: problem.message, look: 'problem' }),
                  ),
              }
            : {}),
        })
      onClose()
    },
  })
  const title =
    {
      make: texts.tree.make[kind],
      rename: texts.tree.rename,
      move: texts.tree.move,
      remove: texts.tree.removeTitle({ name: item?.name ?? '' }),
    }[asked.what] ?? ''
  return (
    <FormDialog
      onClose={onClose}
      title={title}
      about={asked.what === 'remove' ? texts.tree.removeAbout[kind]?.({ below: below.length, questions: item?.count ?? 0 }) : item?.name}
      go={asked.what === 'remove' ? texts.tree.remove : asked.what === 'move' ? texts.tree.move : texts.frame.save}
      disabled={act.isPending}
      onSubmit={() => act.mutate()}
    >
      {asked.what === 'make' || asked.what === 'rename' ? (
        <Field.Root problem={act.error?.message ?? null}>
          <Field.Label>{texts.tree.name}</Field.Label>
          <Field.Text autoFocus value={name} maxLength={200} onChange={(event) => setName(event.target.value)} />
        </Field.Root>
      ) : null}
      {asked.what === 'make' || asked.what === 'move' ? (
        <label className="flex flex-col gap-1">
          <span className="text-caption text-second">{texts.tree.into}</span>
          <select className={control} value={parent} onChange={(event) => setParent(event.target.value)}>
            <option value="">{texts.tree.top}</option>
            {ordered(items)
              .filter((one) => one.item.id !== item?.id && !below.includes(one.item.id))
              .map(({ item: one, path }) => (
                <option key={one.id} value={one.id}>
                  {path.join(' › ')}
                </option>
              ))}
          </select>
        </label>
      ) : null}
      {uses ? <UsesList slug={slug} kind={kind} item={item} uses={uses} /> : null}
      {asked.what === 'move' || asked.what === 'remove' ? (
        act.error ? (
          <p role="alert" className="text-problem">
            {act.error.message}
          </p>
        ) : null
      ) : null}
    </FormDialog>
  )
}

function under(items: TreeItem[], id: string): string[] {
  return items.filter((one) => one.parent === id).flatMap((one) => [one.id, ...under(items, one.id)])
}
