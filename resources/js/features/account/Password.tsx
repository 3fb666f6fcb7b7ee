import { useMutation } from '@tanstack/react-query'
import { type ReactNode, useEffect, useState } from 'react'
import { Link, useParams } from 'react-router'
import { askForPassword, choosePassword } from '@/api/account'
import { texts } from '@/messages'
import { settings } from '@/settings'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { Message } from '@/ui/Message'

/** Asks for a mail with a link to choose a new password. */
export function Forgot() {
  const words = texts.account
  const [email, setEmail] = useState('')
  const ask = useMutation({ mutationFn: () => askForPassword(email) })
  return (
    <Page title={words.forgotTitle} about={words.forgotAbout}>
      {ask.isSuccess ? <Message look="done">{words.forgotDone}</Message> : null}
      {ask.isError ? <Message look="problem">{ask.error.message}</Message> : null}
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          if (!ask.isPending) ask.mutate()
        }}
      >
        <Field.Root>
          <Field.Label>{texts.signIn.email}</Field.Label>
          <Field.Text type="email" autoComplete="username" required value={email} onChange={(event) => setEmail(event.target.value)} />
        </Field.Root>
        <Button type="submit" look="primary" aria-disabled={ask.isPending}>
          {words.forgotGo}
        </Button>
      </form>
    </Page>
  )
}

/** Chooses a password with the link that came by mail. */
export function ChoosePassword() {
  const words = texts.account
  const secret = useParams().secret ?? ''
  const [password, setPassword] = useState('')
  const choose = useMutation({ mutationFn: () => choosePassword(secret, password) })
  return (
    <Page title={words.chooseTitle} about={choose.isSuccess ? '' : words.chooseAbout}>
      {choose.isSuccess ? (
        <Message look="done">{words.chosen}</Message>
      ) : (
        <form
          className="flex flex-col gap-4"
          onSubmit={(event) => {
            event.preventDefault()
            if (!choose.isPending) choose.mutate()
          }}
        >
          <Field.Root problem={choose.isError ? choose.error.message : null}>
            <Field.Label>{words.password.fresh}</Field.Label>
            <Field.Text
              type="password"
              autoComplete="new-password"
              required
              value={password}
              onChange={(event) => setPassword(event.target.value)}
            />
          </Field.Root>
          <Button type="submit" look="primary" aria-disabled={choose.isPending}>
            {words.chooseGo}
          </Button>
        </form>
      )}
    </Page>
  )
}

function Page({ title, about, children }: { title: string; about: string; children: ReactNode }) {
  useEffect(() => {
    document.title = `${title} – ${texts.product}`
  }, [title])
  return (
    <main className="mx-auto flex min-h-dvh max-w-100 flex-col justify-center gap-6 p-6">
      <div className="flex items-center gap-3">
        <img src="/mark.svg" alt="" width="40" height="40" />
        <h1 className="text-title font-bold">{title}</h1>
      </div>
      <div className="flex flex-col gap-4 rounded-ui border border-hairline bg-paper p-6">
        {about ? <p className="text-second">{about}</p> : null}
        {children}
      </div>
      <p className="flex flex-wrap gap-x-6">
        <Link className="text-accent underline" to="/sign-in">
          {texts.account.backToSignIn}
        </Link>
        {settings.demo ? (
          <a className="text-accent underline" href="/stand-ins/outbox">
            {texts.account.outbox}
          </a>
        ) : null}
      </p>
    </main>
  )
}
