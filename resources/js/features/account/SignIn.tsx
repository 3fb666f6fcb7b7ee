import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Navigate, useLocation } from 'react-router'
import { meQuery } from '@/api/queries'
import { texts } from '@/messages'
import { settings } from '@/settings'
import { SignInForm } from '@/shell/SignInForm'

const people = ['orla', 'tam', 'ines', 'callum', 'wren', 'petra'].map((name) => `${name}@fellmoor.example`)

export function SignIn() {
  const client = useQueryClient()
  const from = (useLocation().state as { from?: string } | null)?.from ?? '/desk'
  const [chosen, setChosen] = useState<{ email: string; password: string }>()
  const [done, setDone] = useState(false)
  if (done) return <Navigate to={from} replace />
  return (
    <main className="mx-auto flex min-h-dvh max-w-100 flex-col justify-center gap-6 p-6">
      <div className="flex items-center gap-3">
        <img src="/mark.svg" alt="" width="40" height="40" />
        <div>
          <h1 className="text-title font-bold">{texts.product}</h1>
          <p className="text-second">{texts.signIn.lead}</p>
        </div>
      </div>
      <div className="rounded-ui border border-hairline bg-paper p-6">
        <SignInForm
          key={chosen?.email}
          filled={chosen}
          onDone={(person) => {
            client.clear()
            client.setQueryData(meQuery.queryKey, person)
            setDone(true)
          }}
        />
      </div>
      {settings.demo ? (
        <section className="text-caption text-second">
          <p>{texts.signIn.demo}</p>
          <ul className="mt-2 grid grid-cols-2 gap-x-4">
            {people.map((person) => (
              <li key={person}>
                <button
                  type="button"
                  className="min-h-6 text-accent underline"
                  onClick={() => setChosen({ email: person, password: 'limestone-7' })}
                >
                  {person}
                </button>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </main>
  )
}
