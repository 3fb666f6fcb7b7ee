import { useState } from 'react'
import { signIn } from '@/api/queries'
import type { Person } from '@/api/schema'
import { Button } from '@/components/Button'
import { Field } from '@/components/Field'
import { Message } from '@/components/Message'
import { texts } from '@/texts'

type Props = { onDone: (person: Person) => void; filled?: { email: string; password: string } | undefined }

/** Address and password; on its own page, and over a screen whose session has ended. */
export function SignInForm({ onDone, filled }: Props) {
  const [email, setEmail] = useState('')
  const [password, setPassword] = useState('')
  const [problem, setProblem] = useState('')
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
          onDone(await signIn(String(form.get('email')), String(form.get('password'))))
        } catch (wrong) {
          setProblem((wrong as Error).message)
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
      <Button type="submit" look="primary" aria-disabled={busy}>
        {texts.signIn.go}
      </Button>
    </form>
  )
}
