import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { Button } from '@/components/Button'
import { Tabs } from '@/components/Tabs'
import { Shell } from '@/frame/Shell'
import { InviteDialog } from '@/people/InviteDialog'
import { LogTab } from '@/people/LogTab'
import { PeopleTab } from '@/people/PeopleTab'
import { TeamsTab } from '@/people/TeamsTab'
import { texts } from '@/texts'

const words = texts.people

/** People, teams and the security log, for administrators. */
export function People() {
  const [search, setSearch] = useSearchParams()
  const [inviting, setInviting] = useState(false)
  return (
    <Shell
      title={words.title}
      crumbs={[{ title: words.title }]}
      actions={
        <Button look="primary" onClick={() => setInviting(true)}>
          {words.invite}
        </Button>
      }
    >
      <Tabs
        label={words.title}
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
