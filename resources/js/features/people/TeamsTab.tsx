import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { accountsQuery, deleteTeam, saveTeam, type Team, teamsQuery } from '@/api/people'
import { texts } from '@/messages'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'

const words = texts.people

/** Teams, and who is in each. */
export function TeamsTab() {
  const teams = useQuery(teamsQuery)
  const [open, setOpen] = useState<Team | 'new' | null>(null)
  return (
    <div className="px-4">
      <div className="mx-auto w-full max-w-240 py-4">
        <Asked query={teams} />
        {teams.data?.length === 0 ? <p className="mb-3">{words.noTeams}</p> : null}
        <ul className="mb-4">
          {teams.data?.map((team) => (
            <li key={team.id} className="border-hairline border-b">
              <button type="button" className="w-full py-2 text-left hover:bg-well" onClick={() => setOpen(team)}>
                <span className="block font-semibold">{team.name}</span>
                <span className="text-caption text-second">
                  {words.memberCount({ n: team.members.length })}, {words.bankCount({ n: team.banks })}
                  {team.members.length > 0 ? `: ${team.members.map((one) => one.name).join(', ')}` : ''}
                </span>
              </button>
            </li>
          ))}
        </ul>
        <Button onClick={() => setOpen('new')}>{words.newTeam}</Button>
        {open ? <TeamDialog team={open === 'new' ? null : open} onClose={() => setOpen(null)} /> : null}
      </div>
    </div>
  )
}

function TeamDialog({ team, onClose }: { team: Team | null; onClose: () => void }) {
  const client = useQueryClient()
  const tell = useToast()
  const people = useQuery(accountsQuery)
  const [name, setName] = useState(team?.name ?? '')
  const [members, setMembers] = useState(team?.members.map((one) => one.id) ?? [])
  const done = () => {
    client.invalidateQueries({ queryKey: ['admin'] })
    client.invalidateQueries({ queryKey: ['everybody'] })
    tell({ text: words.done })
    onClose()
  }
  const save = useMutation({ mutationFn: () => saveTeam(team?.id ?? null, name, members), onSuccess: done })
  const remove = useMutation({ mutationFn: () => deleteTeam(team?.id ?? ''), onSuccess: done })
  const problem = save.error?.message ?? remove.error?.message ?? null
  return (
    <FormDialog
      title={team ? words.editTeam({ name: team.name }) : words.newTeam}
      go={texts.frame.save}
      disabled={save.isPending || remove.isPending}
      onClose={onClose}
      onSubmit={() => save.mutate()}
    >
      <Field.Root problem={problem}>
        <Field.Label>{words.teamName}</Field.Label>
        <Field.Text required maxLength={100} value={name} onChange={(event) => setName(event.target.value)} />
      </Field.Root>
      <fieldset>
        <legend className="text-caption text-second">{words.members}</legend>
        <div className="mt-1 max-h-64 overflow-y-auto rounded-ui border border-edge p-2">
          {people.data
            ?.filter((one) => one.disabled_at === null || members.includes(one.id))
            .map((one) => (
              <label key={one.id} className="flex min-h-7 items-center gap-2">
                <input
                  type="checkbox"
                  checked={members.includes(one.id)}
                  onChange={(event) => setMembers(event.target.checked ? [...members, one.id] : members.filter((id) => id !== one.id))}
                />
                {one.name}
              </label>
            ))}
        </div>
      </fieldset>
      {team ? (
        <div>
          <Button onClick={() => remove.mutate()} aria-disabled={remove.isPending}>
            {words.deleteTeam}
          </Button>
        </div>
      ) : null}
    </FormDialog>
  )
}
