import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { changeMigration, type MigrationChange, migrationQuery } from '@/api/migration'
import { texts } from '@/messages'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { FolderPattern } from './FolderPattern'
import { Statements } from './Statements'
import { Tally } from './Tally'
import { Titles } from './Titles'

/** A flat import put right: folders by a pattern, titles, what the old system had, and whether it adds up. */
export function MigrationReview({ intake }: { intake: string }) {
  const client = useQueryClient()
  const held = useQuery(migrationQuery(intake))
  const change = useMutation({
    // one after the other, so that the last change is the one that stays
    scope: { id: `migration ${intake}` },
    mutationFn: (next: MigrationChange) => changeMigration(intake, next),
    onSuccess: (now) => {
      client.setQueryData(migrationQuery(intake).queryKey, now)
      client.invalidateQueries({ queryKey: ['intake', intake], exact: true })
    },
  })
  if (held.isPending) return <Waiting text={texts.loading} />
  if (!held.data) return <Nothing title={held.error?.message ?? ''} />
  return (
    <section
      aria-label={texts.migration.view}
      aria-busy={change.isPending}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls can be reached by keyboard
      tabIndex={0}
      className="-outline-offset-2 h-full overflow-y-auto"
    >
      <div className="grid gap-8 p-4 lg:grid-cols-[22rem_1fr]">
        <div className="flex flex-col gap-8">
          <FolderPattern intake={intake} held={held.data} onChange={(next) => change.mutate(next)} />
          <Titles intake={intake} />
        </div>
        <div className="flex min-w-0 flex-col gap-8">
          {change.isError ? <Message look="problem">{change.error.message}</Message> : null}
          <Statements intake={intake} held={held.data} onChange={change.mutateAsync} />
          <Tally held={held.data} />
        </div>
      </div>
    </section>
  )
}
