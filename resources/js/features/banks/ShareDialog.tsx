import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { changeBank, everybody, type Grant, grants, type HiddenUse, setGrants } from '@/api/actions'
import type { Bank } from '@/api/schema'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { control } from '@/ui/Field'
import { Message, Waiting } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'

/** Who may read, write and keep a bank: all rights at once. */
export function ShareDialog({ bank, onClose }: { bank: Bank; onClose: () => void }) {
  const client = useQueryClient()
  const tell = useToast()
  const stored = useQuery({ queryKey: ['grants', bank.slug], queryFn: () => grants(bank.slug), staleTime: 0 })
  const known = useQuery({ queryKey: ['everybody'], queryFn: everybody })
  const [edited, setEdited] = useState<Grant[] | null>(null)
  const [words, setWords] = useState('')
  const [lends, setLends] = useState(bank.lends)
  const [hidden, setHidden] = useState<HiddenUse[]>([])
  const list = edited ?? stored.data ?? []
  const who = (grant: Grant) => grant.person ?? grant.team ?? ''
  const save = useMutation({
    mutationFn: async () => {
      if (lends !== bank.lends) await changeBank(bank.slug, { lends })
      return setGrants(bank.slug, list, words)
    },
    onSuccess: (hidden) => {
      client.invalidateQueries({ queryKey: ['bank', bank.slug] })
      client.invalidateQueries({ queryKey: ['grants', bank.slug] })
      client.invalidateQueries({ queryKey: ['banks'] })
      tell({ text: texts.banks.shared })
      if (hidden.length === 0) onClose()
      else setHidden(hidden)
    },
  })
  const free = (all: { id: string; name: string }[]) => all.filter((one) => !list.some((grant) => who(grant) === one.id))
  const add = (id: string) => {
    const person = known.data?.people.find((one) => one.id === id)
    const team = known.data?.teams.find((one) => one.id === id)
    const name = person?.name ?? team?.name
    if (name) setEdited([...list, { person: person?.id ?? null, team: team?.id ?? null, name, role: 'reader' }])
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title={texts.banks.shareTitle({ name: bank.name })}
      about={texts.banks.shareAbout}
      closeName={texts.frame.close}
      actions={
        <>
          <Button onClick={onClose}>{hidden.length > 0 ? texts.frame.close : texts.frame.cancel}</Button>
          <Button look="primary" onClick={() => save.mutate()} aria-disabled={save.isPending || stored.isPending}>
            {texts.frame.save}
          </Button>
        </>
      }
    >
      {stored.isPending ? <Waiting text={texts.loading} /> : null}
      {save.isError ? (
        <p role="alert" className="mb-2 text-problem">
          {save.error.message}
        </p>
      ) : null}
      {hidden.length > 0 ? (
        <Message look="attention">
          {texts.banks.hiddenUses}
          <ul className="mt-1 list-disc pl-5">
            {hidden.map((one) => (
              <li key={`${one.assessment} ${one.person}`}>
                {texts.banks.hiddenUse({ person: one.person, n: one.questions, title: one.title })}
              </li>
            ))}
          </ul>
        </Message>
      ) : null}
      <ul>
        {list.map((grant) => (
          <li key={who(grant)} className="flex items-center gap-3 border-hairline border-b py-1.5">
            <span className="flex-1">
              {grant.name} {grant.team ? <span className="text-caption text-quiet">{texts.banks.team}</span> : null}
            </span>
            <select
              aria-label={texts.banks.roleOf({ name: grant.name })}
              className={control}
              value={grant.role}
              onChange={(event) => setEdited(list.map((one) => (who(one) === who(grant) ? { ...one, role: event.target.value } : one)))}
            >
              {Object.entries(texts.banks.roles).map(([role, title]) => (
                <option key={role} value={role}>
                  {title}
                </option>
              ))}
            </select>
            <Button
              look="quiet"
              aria-label={texts.banks.takeAway({ name: grant.name })}
              title={texts.banks.takeAway({ name: grant.name })}
              onClick={() => setEdited(list.filter((one) => who(one) !== who(grant)))}
            >
              <Trash2 size={16} aria-hidden="true" />
            </Button>
          </li>
        ))}
      </ul>
      <select
        aria-label={texts.banks.sharePick}
        className={`${control} mt-3 w-full`}
        value=""
        // Somebody added before the stored rights are here would replace them.
        disabled={!stored.data || !known.data}
        onChange={(event) => add(event.target.value)}
      >
        <option value="">{texts.banks.sharePick}</option>
        <optgroup label={texts.banks.teams}>
          {free(known.data?.teams ?? []).map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </optgroup>
        <optgroup label={texts.banks.people}>
          {free(known.data?.people ?? []).map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </optgroup>
      </select>
      <label className="mt-4 block">
        <span className="text-caption text-second">{texts.banks.shareWords}</span>
        <input className={`${control} w-full`} maxLength={1000} value={words} onChange={(event) => setWords(event.target.value)} />
      </label>
      <label className="mt-4 flex items-start gap-2">
        <input type="checkbox" className="mt-1" checked={lends} onChange={(event) => setLends(event.target.checked)} />
        <span>
          {texts.banks.lends}
          <span className="block text-second">{texts.banks.lendsAbout}</span>
        </span>
      </label>
    </Dialog>
  )
}
