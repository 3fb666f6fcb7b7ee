import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import type * as schema from '@/api/schema'
import { changeStatement } from '@/api/standards'
import { texts } from '@/messages'
import { statementName } from '@/standards/statementName'
import { Button } from '@/ui/Button'
import { Menu } from '@/ui/Menu'
import { Message } from '@/ui/Message'
import { MoreButton } from '@/ui/MoreButton'
import { useToast } from '@/ui/Toasts'
import type { TreeItem } from '@/ui/tree/items'
import { OrderTree } from '@/ui/tree/OrderTree'
import type { Spot } from '@/ui/tree/spots'
import { DeleteDialog } from './DeleteDialog'

const words = texts.standards
type Props = { framework: schema.WholeFramework; chosen: string; onOpen: (id: string, under?: string) => void }

/** The statements of a framework as those who keep it put them in order: by drag, by picking up and putting down, or by keys. */
export function StatementOrder({ framework, chosen, onOpen }: Props) {
  const client = useQueryClient()
  const tell = useToast()
  const [held, setHeld] = useState<string | null>(null)
  const [removing, setRemoving] = useState<string | null>(null)
  const items: TreeItem[] = framework.statements.map((one) => ({
    id: one.id,
    parent: one.parent_id,
    name: statementName(one),
    retired: one.retired,
  }))
  const move = useMutation({
    mutationFn: ({ id, spot }: { id: string; spot: Spot }) =>
      changeStatement(framework.id, id, { parent: spot.parent, before: spot.before ?? null }),
    onSuccess: (_, { id }) => {
      for (const key of ['frameworks', 'statements', 'coverage']) client.invalidateQueries({ queryKey: [key] })
      const siblings = items.filter((one) => one.parent === items.find((item) => item.id === id)?.parent)
      const at = siblings.findIndex((one) => one.id === id)
      const item = siblings[at]
      const before = { id, spot: { parent: item?.parent ?? null, before: siblings[at + 1]?.id ?? null } }
      if (item) tell({ text: words.moved({ name: item.name }), undo: () => move.mutate(before) })
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  const holding = items.find((one) => one.id === held)
  const removed = framework.statements.find((one) => one.id === removing)
  const putDown = () => {
    if (holding) move.mutate({ id: holding.id, spot: { parent: null } })
    setHeld(null)
  }
  return (
    <div className="min-h-0 flex-1 overflow-y-auto">
      <p className="px-3 py-1.5 text-caption text-quiet">{words.howTo}</p>
      <div className="sticky top-0 z-10 bg-well empty:hidden" role="status">
        {holding ? (
          <Message
            look="done"
            actions={
              <>
                {holding.parent === null ? null : <Button onClick={putDown}>{texts.order.atTop}</Button>}
                <Button onClick={() => setHeld(null)}>{texts.order.letGo}</Button>
              </>
            }
          >
            {texts.order.holding({ name: holding.name })}
          </Message>
        ) : null}
      </div>
      <OrderTree
        label={words.statements}
        items={items}
        held={held}
        onHold={setHeld}
        onPut={(id, spot) => move.mutate({ id, spot })}
        onRename={(item) => onOpen(item.id)}
        onPick={(item) => onOpen(item.id)}
        picked={chosen}
        onRemove={(item) => setRemoving(item.id)}
        more={(item, tabIndex) => (
          <Menu.Root align="end" button={<MoreButton tabIndex={tabIndex} name={texts.tree.what({ name: item.name })} />}>
            <Menu.Item keys="Ctrl X" onSelect={() => setHeld(item.id)}>
              {texts.order.pickUp}
            </Menu.Item>
            <Menu.Item onSelect={() => onOpen('new', item.id)}>{words.addBelow}</Menu.Item>
            <Menu.Line />
            <Menu.Item keys="Delete" onSelect={() => setRemoving(item.id)}>
              {words.deleteStatement}
            </Menu.Item>
          </Menu.Root>
        )}
      />
      {removed ? (
        <DeleteDialog
          framework={framework}
          statement={removed}
          onClose={() => setRemoving(null)}
          onDeleted={() => {
            if (chosen === removed.id) onOpen('')
          }}
        />
      ) : null}
    </div>
  )
}
