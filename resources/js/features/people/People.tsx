import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Button } from '@/ui/Button'
import { Tabs } from '@/ui/Tabs'
import { InviteDialog } from './InviteDialog'
import { LogTab } from './LogTab'
import { PeopleTab } from './PeopleTab'
import { TeamsTab } from './TeamsTab'

const words = texts.people

/** People, teams and the security log, for administrators. */
export function People() {
  const [search, setSearch] = useSearchParams()
  const [inviting, setInviting] = useState(false)
  return (
    <Shell
      title={texts.frame.people}
      crumbs={[{ title: texts.frame.people }]}
      actions={
        <Button look="primary" onClick={() => setInviting(true)}>
          {words.invite}
        </Button>
      }
    >
      <Tabs
        label={texts.frame.people}
        value={search.get('tab') ?? 'people'}
        onChange={(tab) => setSearch(tab === 'people' ? {} : { tab }, { replace: true })}
        tabs={[
          { id: 'people', title: words.tabs.people, body: <PeopleTab /> },
          { id: 'teams', title: words.tabs.teams, body: <TeamsTab /> },
          { id: 'log', title: words.tabs.log, body: <LogTab /> },
        ]}
      />
      {inviting ? <InviteDialog onClose={() => setInviting(false)} /> : null}
    </Shell>
  )
}
