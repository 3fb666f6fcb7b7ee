import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { QRCodeSVG } from 'qrcode.react'
import { useState } from 'react'
import { beginSecondFactor, confirmSecondFactor, endSecondFactor } from '@/api/account'
import { meQuery } from '@/api/queries'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'

/** Codes of an authenticator app beside the password: turned on in three steps, and off. */
export function SecondFactor() {
  const me = useQuery(meQuery)
  const client = useQueryClient()
  const tell = useToast()
  const [open, setOpen] = useState<'on' | 'off' | null>(null)
  const words = texts.account.factor
  const refresh = () => client.invalidateQueries({ queryKey: meQuery.queryKey })
  return (
    <>
      <p className="mb-3">{me.data?.second_factor ? words.on : words.off}</p>
      <Button onClick={() => setOpen(me.data?.second_factor ? 'off' : 'on')}>
        {me.data?.second_factor ? words.turnOff : words.turnOn}
      </Button>
      {open === 'on' ? (
        <TurnOn
          onClose={() => {
            setOpen(null)
            refresh()
          }}
        />
      ) : null}
      {open === 'off' ? (
        <AskPassword
          title={words.turnOff}
          go={words.turnOff}
          act={endSecondFactor}
          onClose={() => setOpen(null)}
          onDone={() => {
            setOpen(null)
            refresh()
            tell({ text: words.isOff })
          }}
        />
      ) : null}
    </>
  )
}

function TurnOn({ onClose }: { onClose: () => void }) {
  const words = texts.account.factor
  const tell = useToast()
  const [begun, setBegun] = useState<{ secret: string; address: string } | null>(null)
  const [code, setCode] = useState('')
  const confirm = useMutation({ mutationFn: () => confirmSecondFactor(code) })
  if (!begun)
    return (
      <AskPassword title={words.title} about={words.about} go={words.next} act={beginSecondFactor} onClose={onClose} onDone={setBegun} />
    )
  if (confirm.data)
    return (
      <Dialog
        open
        onClose={onClose}
        title={words.recovery}
        about={words.recoveryAbout}
        closeName={texts.frame.close}
        actions={
          <>
            <Button
              onClick={() =>
                navigator.clipboard.writeText(confirm.data.join('\n')).then(
                  () => tell({ text: words.copied }),
                  () => undefined,
                )
              }
            >
              {words.copy}
            </Button>
            <Button look="primary" onClick={onClose}>
              {words.kept}
            </Button>
          </>
        }
      >
        <ul className="grid grid-cols-2 gap-1 font-mono">
          {confirm.data.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      </Dialog>
    )
  return (
    <FormDialog title={words.title} go={words.turnOn} disabled={confirm.isPending} onClose={onClose} onSubmit={() => confirm.mutate()}>
      <p>{words.scan}</p>
      <div className="self-start rounded-ui bg-white p-3">
        <QRCodeSVG value={begun.address} size={168} title={words.picture} />
      </div>
      <p>
        <span className="block text-caption text-second">{words.key}</span>
        <code className="font-mono [overflow-wrap:anywhere]">{begun.secret.match(/.{1,4}/g)?.join(' ')}</code>
      </p>
      <p>
        <a className="text-accent underline" href={begun.address}>
          {words.open}
        </a>
      </p>
      <Field.Root problem={confirm.isError ? confirm.error.message : null}>
        <Field.Label>{words.codeNow}</Field.Label>
        <Field.Text
          inputMode="numeric"
          autoComplete="one-time-code"
          required
          value={code}
          onChange={(event) => setCode(event.target.value)}
        />
      </Field.Root>
    </FormDialog>
  )
}

/** Something that only the person at the screen may do proves it with the password. */
export function AskPassword<Result>({
  title,
  about,
  go,
  act,
  onClose,
  onDone,
}: {
  title: string
  about?: string
  go: string
  act: (password: string) => Promise<Result>
  onClose: () => void
  onDone: (result: Result) => void
}) {
  const [password, setPassword] = useState('')
  const ask = useMutation({ mutationFn: () => act(password), onSuccess: onDone })
  return (
    <FormDialog title={title} about={about} go={go} disabled={ask.isPending} onClose={onClose} onSubmit={() => ask.mutate()}>
      <Field.Root problem={ask.isError ? ask.error.message : null}>
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
