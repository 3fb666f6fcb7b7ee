import { useState } from 'react'
import { ApiProblem } from '@/api/client'
import { signIn } from '@/api/queries'
import type { Person } from '@/api/schema'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { Message } from '@/ui/Message'

type Props = { onDone: (person: Person) => void; filled?: { email: string; password: string } | undefined }

/** Address and password; on its own page, and over a screen whose session has ended. */
export function SignInForm({ onDone, filled }: Props) {
  const [email, setEmail] = useState('')
  const [password, setPassword] = useState('')
  const [problem, setProblem] = useState('')
  const [asksCode, setAsksCode] = useState(false)
  const [busy, setBusy] = useState(false)
  return (
    <form
      key={filled?.email}
      className="flex flex-col gap-4"
      onSubmit={async (event) => {
        event.preventDefault()
        if (busy) return
        setBusy(true)
        setProblem('')
        const form = new FormData(event.currentTarget)
        try {
          onDone(await signIn(String(form.get('email')), String(form.get('password')), String(form.get('code') ?? '')))
        } catch (wrong) {
          const wantsCode = wrong instanceof ApiProblem && wrong.type.endsWith(':session.second_factor')
          // Asking for the code the first time is no problem.
          if (!wantsCode || asksCode) setProblem((wrong as Error).message)
          if (wantsCode) setAsksCode(true)
        }
        setBusy(false)
      }}
    >
      {problem ? <Message look="problem">{problem}</Message> : null}
      <Field.Root>
        <Field.Label>{texts.signIn.email}</Field.Label>
        <Field.Text
          name="email"
          type="email"
          autoComplete="username"
          required
          value={email || (filled?.email ?? '')}
          onChange={(event) => setEmail(event.target.value)}
        />
      </Field.Root>
      <Field.Root>
        <Field.Label>{texts.signIn.password}</Field.Label>
        <Field.Text
          name="password"
          type="password"
          autoComplete="current-password"
          required
          value={password || (filled?.password ?? '')}
          onChange={(event) => setPassword(event.target.value)}
        />
      </Field.Root>
      {asksCode ? (
        <Field.Root>
          <Field.Label>{texts.account.code}</Field.Label>
          <Field.Text name="code" autoComplete="one-time-code" required autoFocus />
        </Field.Root>
      ) : null}
      <Button type="submit" look="primary" aria-disabled={busy}>
        {texts.signIn.go}
      </Button>
      <a className="text-caption text-accent underline" href="/forgot">
        {texts.account.forgot}
      </a>
    </form>
  )
}
