import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import type { TreeName } from '@/api/actions'
import { type NodeUses, usesQuery } from '@/api/order'
import { texts } from '@/messages'
import { Asked } from '@/ui/Asked'
import { Dialog } from '@/ui/Dialog'
import type { TreeItem } from '@/ui/tree/items'

const words = texts.order

/** Where a topic or folder is used, bank by bank. */
export function UsesDialog({ slug, kind, item, onClose }: { slug: string; kind: TreeName; item: TreeItem; onClose: () => void }) {
  const uses = useQuery(usesQuery(slug, kind, item.id))
  return (
    <Dialog open onClose={onClose} title={words.usesOf({ name: item.name })} closeName={texts.frame.close}>
      <Asked query={uses} />
      {uses.data ? <UsesList slug={slug} kind={kind} item={item} uses={uses.data} /> : null}
    </Dialog>
  )
}

export function UsesList({ slug, kind, item, uses }: { slug: string; kind: TreeName; item: TreeItem | null; uses: NodeUses }) {
  const name = kind === 'topics' ? 'topic' : 'folder'
  return (
    <div className="flex flex-col gap-2">
      {uses.banks.length === 0 && uses.others === 0 ? <p>{words.usesNone}</p> : null}
      <ul>
        {uses.banks.map((bank) => (
          <li key={bank.bank} className="flex gap-3 border-hairline border-b py-1.5">
            {/* A folder of this bank is asked for here, whatever lives in it. */}
            <Link
              className="min-w-0 flex-1 text-accent underline"
              to={`/banks/${kind === 'topics' ? bank.bank : slug}?${name}=${item?.id}`}
            >
              {bank.name}
            </Link>
            <span className="text-second">
              {bank.here === bank.below ? words.count({ count: bank.below }) : words.usesHere({ here: bank.here, below: bank.below })}
            </span>
          </li>
        ))}
      </ul>
      {uses.others > 0 ? <p className="text-second">{words.usesOthers({ count: uses.others })}</p> : null}
      {uses.stimuli > 0 ? <p className="text-second">{words.usesStimuli({ count: uses.stimuli })}</p> : null}
      {uses.searches > 0 ? <p className="text-second">{words.usesSearches({ count: uses.searches })}</p> : null}
    </div>
  )
}
