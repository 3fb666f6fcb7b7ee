import type { ReactNode } from 'react'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Notifications } from './Notifications'
import { PasswordForm } from './PasswordForm'
import { SecondFactor } from './SecondFactor'
import { Sessions } from './Sessions'
import { Tokens } from './Tokens'

/** One's own account. */
export function Account() {
  const words = texts.account
  return (
    <Shell title={words.title} crumbs={[{ title: words.title }]}>
      <div className="h-full overflow-y-auto">
        <div className="mx-auto grid w-full max-w-240 gap-x-12 gap-y-8 px-4 py-6 md:grid-cols-2">
          <Section title={words.notifications.title}>
            <Notifications />
          </Section>
          <Section title={words.password.title}>
            <PasswordForm />
          </Section>
          <Section title={words.sessions.title}>
            <Sessions />
          </Section>
          <Section title={words.factor.title}>
            <SecondFactor />
          </Section>
          <Section title={words.tokens.title}>
            <Tokens />
          </Section>
        </div>
      </div>
    </Shell>
  )
}

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section>
      <h2 className="mb-3 border-edge border-b pb-1 text-head font-semibold">{title}</h2>
      {children}
    </section>
  )
}
