import { useQuery } from '@tanstack/react-query'
import { useParams } from 'react-router'
import { bankQuery } from '@/api/queries'
import { useAddress } from '@/lib/useAddress'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Nothing } from '@/ui/Message'
import { Tabs } from '@/ui/Tabs'
import { TagsTab } from './order/TagsTab'
import { TreeTab } from './order/TreeTab'

const words = texts.order

/** Topics, folders and tags of a bank as things. */
export function Order() {
  const slug = useParams().slug ?? ''
  const { address, change } = useAddress()
  const bank = useQuery(bankQuery(slug))
  const mayWrite = bank.data?.may_write === true
  const tab = address.get('tab') ?? 'topics'
  return (
    <Shell
      title={texts.bank.order}
      crumbs={[
        { title: texts.banks.title, to: '/banks' },
        { title: bank.data?.name ?? '…', to: `/banks/${slug}` },
        { title: texts.bank.order },
      ]}
    >
      {bank.isError ? <Nothing title={bank.error.message} /> : null}
      {bank.data && !mayWrite ? <Nothing title={texts.order.readers} /> : null}
      {bank.data && mayWrite ? (
        <Tabs
          label={texts.bank.order}
          value={tab}
          onChange={(to) => change((next) => (to === 'topics' ? next.delete('tab') : next.set('tab', to)))}
          tabs={[
            {
              id: 'topics',
              title: words.tabs.topics,
              body: <TreeTab slug={slug} kind="topics" about={words.about.topics({ team: bank.data.team })} />,
            },
            { id: 'folders', title: words.tabs.folders, body: <TreeTab slug={slug} kind="folders" about={words.about.folders} /> },
            { id: 'tags', title: words.tabs.tags, body: <TagsTab slug={slug} /> },
          ]}
        />
      ) : null}
    </Shell>
  )
}
