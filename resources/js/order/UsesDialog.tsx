import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import type { TreeName } from '@/api/actions'
import { usesQuery } from '@/api/order'
import { Dialog } from '@/components/Dialog'
import type { TreeItem } from '@/components/Tree'
import { Asked } from '@/frame/Asked'
import { texts } from '@/texts'

const words = texts.order

/** Where a topic or folder is used, bank by bank. */
export function UsesDialog({ slug, kind, item, onClose }: { slug: string; kind: TreeName; item: TreeItem; onClose: () => void }) {
  const uses = useQuery(usesQuery(slug, kind, item.id))
  const name = kind === 'topics' ? 'topic' : 'folder'
  const data = uses.data
  return (
    <Dialog open onClose={onClose} title={words.usesOf(item.name)} closeName={texts.frame.close}>
      <Asked query={uses} />
      {data ? (
        <>
          {data.banks.length === 0 && data.others === 0 ? <p>{words.usesNone}</p> : null}
          <ul>
            {data.banks.map((bank) => (
              <li key={bank.bank} className="flex gap-3 border-hairline border-b py-1.5">
                {/* A folder of this bank is asked for here, whatever lives in it. */}
                <Link
                  className="min-w-0 flex-1 text-accent underline"
                  to={`/banks/${kind === 'topics' ? bank.bank : slug}?${name}=${item.id}`}
                >
                  {bank.name}
                </Link>
                <span className="text-second">{words.usesHere(bank.here, bank.below)}</span>
              </li>
            ))}
          </ul>
          {data.others > 0 ? <p className="mt-2 text-second">{words.usesOthers(data.others)}</p> : null}
          {data.stimuli > 0 ? <p className="mt-2 text-second">{words.usesStimuli(data.stimuli)}</p> : null}
          {data.searches > 0 ? <p className="mt-2 text-second">{words.usesSearches(data.searches)}</p> : null}
        </>
      ) : null}
    </Dialog>
  )
}
