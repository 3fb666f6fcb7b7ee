import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ApiProblem } from '@/api/client'
import { invite } from '@/api/people'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'

const words = texts.people

/** A new account; its owner chooses the password with a link that comes by mail. */
export function InviteDialog({ onClose }: { onClose: () => void }) {
  const client = useQueryClient()
  const tell = useToast()
  const [key] = useState(() => crypto.randomUUID())
  const [person, setPerson] = useState({ name: '', email: '', administrator: false, words: '' })
  const send = useMutation({
    mutationFn: () => invite(person, `${key} ${person.email}`),
    onSuccess: () => {
      client.invalidateQueries({ queryKey: ['admin'] })
      client.invalidateQueries({ queryKey: ['everybody'] })
      tell({ text: words.invited({ name: person.name }) })
      onClose()
    },
  })
  const path = send.error instanceof ApiProblem ? send.error.path : null
  return (
    <FormDialog
      title={words.invite}
      about={words.inviteAbout}
      go={words.inviteGo}
      disabled={send.isPending}
      onClose={onClose}
      onSubmit={() => send.mutate()}
    >
      <Field.Root problem={path === '/name' ? send.error?.message : null}>
        <Field.Label>{words.name}</Field.Label>
        <Field.Text
          required
          maxLength={100}
          autoComplete="off"
          value={person.name}
          onChange={(event) => setPerson({ ...person, name: event.target.value })}
        />
      </Field.Root>
      <Field.Root problem={send.isError && path !== '/name' ? send.error.message : null}>
        <Field.Label>{words.email}</Field.Label>
        <Field.Text
          required
          type="email"
          maxLength={255}
          autoComplete="off"
          value={person.email}
          onChange={(event) => setPerson({ ...person, email: event.target.value })}
        />
      </Field.Root>
      <Field.Root>
        <Field.Label>{words.words}</Field.Label>
        <Field.Text maxLength={1000} value={person.words} onChange={(event) => setPerson({ ...person, words: event.target.value })} />
      </Field.Root>
      <label className="flex items-start gap-2">
        <input
          type="checkbox"
          className="mt-1"
          checked={person.administrator}
          onChange={(event) => setPerson({ ...person, administrator: event.target.checked })}
        />
        {words.administrator}
      </label>
    </FormDialog>
  )
}
