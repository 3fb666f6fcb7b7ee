import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { createToken, deleteToken, tokensQuery } from '@/api/account'
import { day, moment } from '@/lib/format'
import { texts } from '@/messages'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'

/** Personal tokens: created with what they may do and until when, shown once, deleted. */
export function Tokens() {
  const client = useQueryClient()
  const tokens = useQuery(tokensQuery)
  const [creating, setCreating] = useState(false)
  const words = texts.account.tokens
  const refresh = () => client.invalidateQueries({ queryKey: tokensQuery.queryKey })
  const remove = useMutation({ mutationFn: deleteToken, onSettled: refresh })
  return (
    <>
      <p className="mb-2 text-second">{words.about}</p>
      <Asked query={tokens} />
      {tokens.data?.length === 0 ? <p className="mb-3">{words.none}</p> : null}
      <ul className="mb-3">
        {tokens.data?.map((token) => (
          <li key={token.id} className="flex items-center gap-3 border-hairline border-b py-1.5">
            <span className="min-w-0 flex-1">
              <span className="font-semibold">{token.name}</span>{' '}
              <span className="text-caption text-second">
                {words.abilities[token.abilities.includes('write') ? 'write' : 'read']},{' '}
                {token.last_used_at ? words.used({ when: moment(token.last_used_at) }) : words.neverUsed}
                {token.expires_at ? `, ${words.expires({ when: day(token.expires_at) })}` : ''}
              </span>
            </span>
            <Button
              look="quiet"
              aria-label={words.remove({ name: token.name })}
              title={words.remove({ name: token.name })}
              onClick={() => remove.mutate(token.id)}
            >
              <Trash2 size={16} aria-hidden="true" />
            </Button>
          </li>
        ))}
      </ul>
      <Button onClick={() => setCreating(true)}>{words.create}</Button>
      {creating ? (
        <NewToken
          onClose={() => {
            setCreating(false)
            refresh()
          }}
        />
      ) : null}
    </>
  )
}

function NewToken({ onClose }: { onClose: () => void }) {
  const words = texts.account.tokens
  const [name, setName] = useState('')
  const [may, setMay] = useState('read')
  const [days, setDays] = useState(30)
  const [password, setPassword] = useState('')
  const create = useMutation({ mutationFn: () => createToken(name, may === 'write' ? ['read', 'write'] : ['read'], days, password) })
  if (create.data)
    return (
      <Dialog
        open
        onClose={onClose}
        title={name}
        about={words.shown}
        closeName={texts.frame.close}
        actions={
          <Button look="primary" onClick={onClose}>
            {texts.frame.close}
          </Button>
        }
      >
        <code className="block rounded-ui border border-edge bg-well p-3 font-mono [overflow-wrap:anywhere]">{create.data}</code>
      </Dialog>
    )
  return (
    <FormDialog title={words.create} go={words.go} disabled={create.isPending} onClose={onClose} onSubmit={() => create.mutate()}>
      <Field.Root>
        <Field.Label>{words.name}</Field.Label>
        <Field.Text required maxLength={100} value={name} onChange={(event) => setName(event.target.value)} />
      </Field.Root>
      <Field.Root>
        <Field.Label>{words.may}</Field.Label>
        <Field.Choice value={may} onChange={(event) => setMay(event.target.value)}>
          {Object.entries(words.abilities).map(([id, title]) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </Field.Choice>
      </Field.Root>
      <Field.Root>
        <Field.Label>{words.days}</Field.Label>
        <Field.Choice value={days} onChange={(event) => setDays(Number(event.target.value))}>
          {Object.entries(words.dayChoices).map(([id, title]) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </Field.Choice>
      </Field.Root>
      <Field.Root problem={create.isError ? create.error.message : null}>
        <Field.Label>{texts.account.password.current}</Field.Label>
        <Field.Text
          type="password"
          autoComplete="current-password"
          required
          value={password}
          onChange={(event) => setPassword(event.target.value)}
        />
      </Field.Root>
    </FormDialog>
  )
}
