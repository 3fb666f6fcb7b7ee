import { useState } from 'react'
import type { TreeName } from '@/api/actions'
import { lazily } from '@/lib/lazily'
import { texts } from '@/messages'
import { Menu } from '@/ui/Menu'
import { MoreButton } from '@/ui/MoreButton'
import type { TreeItem } from '@/ui/tree/items'
import type { TreeAsk } from './TreeDialog'

const TreeDialog = lazily(() => import('./TreeDialog'), 'TreeDialog')

type NodeMenuProps = {
  item: TreeItem
  kind: TreeName
  /** Where they may be changed. */
  ask?: (what: TreeAsk) => void
  tabIndex: 0 | -1
  /** How many branches are called the same. */
  twins: number
  onTwins: () => void
  /** A folder alone, without what is below it. */
  onOnly?: () => void
}

/** What can be done with a folder or topic. A tree has a button in every row, so the menu is made when it is first opened. */
export function NodeMenu({ item, kind, ask, tabIndex, twins, onTwins, onOnly }: NodeMenuProps) {
  const [open, setOpen] = useState<boolean | null>(null)
  const button = { tabIndex, name: texts.tree.what({ name: item.name }) }
  if (open === null) {
    return (
      <MoreButton
        {...button}
        aria-haspopup="menu"
        aria-expanded={false}
        onClick={() => setOpen(true)}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setOpen(true)
        }}
      />
    )
  }
  return (
    <Menu.Root align="end" open={open} onOpen={setOpen} button={<MoreButton {...button} />}>
      {twins > 1 ? <Menu.Item onSelect={onTwins}>{texts.bank.everyOf({ name: item.name, n: twins })}</Menu.Item> : null}
      {onOnly ? <Menu.Item onSelect={onOnly}>{texts.bank.onlyHere}</Menu.Item> : null}
      {ask ? <NodeChanges item={item} kind={kind} ask={ask} /> : null}
    </Menu.Root>
  )
}

function NodeChanges({ item, kind, ask }: { item: TreeItem; kind: TreeName; ask: (what: TreeAsk) => void }) {
  return (
    <>
      <Menu.Item onSelect={() => ask({ what: 'make', parent: item })}>{texts.tree.makeIn[kind]}</Menu.Item>
      <Menu.Item onSelect={() => ask({ what: 'rename', item })}>{texts.tree.rename}</Menu.Item>
      <Menu.Item onSelect={() => ask({ what: 'move', item })}>{texts.tree.move}</Menu.Item>
      <Menu.Line />
      <Menu.Item onSelect={() => ask({ what: 'remove', item })}>{texts.tree.remove}</Menu.Item>
    </>
  )
}

/** The dialog that was asked for from a tree, if any. */
export function useTreeDialogs(slug: string, kind: TreeName, items: TreeItem[]) {
  const [asked, ask] = useState<TreeAsk | null>(null)
  const dialog = asked ? (
    <TreeDialog key={JSON.stringify(asked)} slug={slug} kind={kind} items={items} asked={asked} onClose={() => ask(null)} />
  ) : null
  return { ask, dialog }
}
