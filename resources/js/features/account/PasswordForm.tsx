import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { changePassword, sessionsQuery } from '@/api/account'
import { ApiProblem } from '@/api/client'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { useToast } from '@/ui/Toasts'

/** A new password, with the current one to prove who asks. */
export function PasswordForm() {
  const client = useQueryClient()
  const tell = useToast()
  const [current, setCurrent] = useState('')
  const [fresh, setFresh] = useState('')
  const save = useMutation({
    mutationFn: () => changePassword(current, fresh),
    onSuccess: () => {
      setCurrent('')
      setFresh('')
      client.invalidateQueries({ queryKey: sessionsQuery.queryKey })
      tell({ text: texts.account.password.done })
    },
  })
  const problemAt = (path: string) => (save.error instanceof ApiProblem && save.error.path === path ? save.error.message : null)
  const problem = save.isError && !problemAt('/current') && !problemAt('/password') ? save.error.message : null
  return (
    <form
      className="flex max-w-100 flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (!save.isPending) save.mutate()
      }}
    >
      <Field.Root problem={problemAt('/current')}>
        <Field.Label>{texts.account.password.current}</Field.Label>
        <Field.Text
          type="password"
          autoComplete="current-password"
          required
          value={current}
          onChange={(event) => setCurrent(event.target.value)}
        />
      </Field.Root>
      <Field.Root problem={problemAt('/password') ?? problem}>
        <Field.Label>{texts.account.password.fresh}</Field.Label>
        <Field.Text type="password" autoComplete="new-password" required value={fresh} onChange={(event) => setFresh(event.target.value)} />
      </Field.Root>
      <p className="text-caption text-second">{texts.account.chooseAbout}</p>
      <div>
        <Button type="submit" aria-disabled={save.isPending}>
          {texts.account.password.go}
        </Button>
      </div>
    </form>
  )
}
