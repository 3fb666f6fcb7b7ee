import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { assessmentQuery, trayQuery } from '@/api/assembly'
import { lossesQuery, openDispatch, type What } from '@/api/dispatches'
import { bankQuery } from '@/api/queries'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import { Message, Nothing } from '@/ui/Message'
import { ExpectedLosses } from './dispatch/ExpectedLosses'
import { TableColumns } from './dispatch/TableColumns'

const words = texts.dispatch
/** Questions that may come of one. */
const MOST = 50

/** What goes out, as what, and what goes along. */
export function NewDispatch() {
  const [address] = useSearchParams()
  const navigate = useNavigate()
  const [slug, id, filter] = [address.get('bank'), address.get('assessment'), address.get('filter') ?? '']
  const bank = useQuery({ ...bankQuery(slug ?? ''), enabled: slug !== null })
  const assessment = useQuery({ ...assessmentQuery(id ?? ''), enabled: id !== null })
  const tray = useQuery({ ...trayQuery, enabled: slug === null && id === null })
  const [format, setFormat] = useState('qti30')
  const [along, setAlong] = useState<Record<string, boolean>>({ key: true, feedback: true, classification: true, notes: false })
  const [rolls, setRolls] = useState('1')
  const [columns, setColumns] = useState<string[] | null>(null)
  const isTable = format === 'csv' || format === 'xlsx'
  let what: What | null = null
  let title = ''
  if (id !== null) [what, title] = [{ assessment: id }, words.assessment({ name: assessment.data?.title ?? '…' })]
  else if (slug !== null)
    [what, title] = [
      { bank: slug, ...(filter ? { filter } : {}) },
      (filter ? words.matching : words.bank)({ name: bank.data?.name ?? '…' }),
    ]
  else if ((tray.data ?? []).length > 0)
    [what, title] = [{ questions: (tray.data ?? []).map((row) => row.id) }, words.tray({ n: tray.data?.length ?? 0 })]
  const losses = useQuery(lossesQuery(what, format, along)).data
  const asksRolls = (losses?.varying ?? 0) > 0
  const send = useMutation({
    mutationFn: (some: What) =>
      openDispatch(some, format, along, {
        rolls: asksRolls ? Math.min(MOST, Math.max(1, Math.round(Number(rolls)) || 1)) : 1,
        ...(isTable && columns ? { columns } : {}),
      }),
    onSuccess: (made) => navigate(`/dispatches/${made.id}`, { replace: true }),
  })
  return (
    <Shell title={words.title} crumbs={[{ title: texts.transfers.title, to: '/transfers' }, { title: words.title }]}>
      {what === null ? (
        <Nothing title={words.nothing} />
      ) : (
        <form
          className="h-full overflow-y-auto"
          onSubmit={(event) => {
            event.preventDefault()
            if (what && !send.isPending) send.mutate(what)
          }}
        >
          <div className="mx-auto grid max-w-280 gap-x-10 gap-y-6 p-6 md:grid-cols-2 max-md:p-4">
            <div className="flex flex-col gap-5">
              <p>
                <span className="block text-caption text-second">{words.what}</span>
                <strong className="text-head">{title}</strong>
              </p>
              <fieldset className="flex flex-col gap-2">
                <legend className="mb-1 flex w-full justify-between text-caption text-second">
                  {words.format}
                  <Link to="/help/formats" className="text-accent hover:underline">
                    {texts.frame.formats}
                  </Link>
                </legend>
                {Object.entries(words.formats).map(([key, name]) => (
                  <label
                    key={key}
                    className="flex items-start gap-2 rounded-ui border border-hairline bg-paper p-3 has-checked:border-accent"
                  >
                    <input
                      type="radio"
                      name="format"
                      className="mt-0.5 size-4 flex-none accent-accent"
                      checked={format === key}
                      onChange={() => setFormat(key)}
                    />
                    <span>
                      <span className="block font-semibold">{name}</span>
                      <span className="text-second">{words.formatAbout[key]}</span>
                    </span>
                  </label>
                ))}
              </fieldset>
              <fieldset className="flex flex-col gap-1.5">
                <legend className="mb-1 text-caption text-second">{words.along}</legend>
                {Object.entries(words.alongs).map(([key, name]) => (
                  <label key={key} className="flex items-center gap-2">
                    <input
                      type="checkbox"
                      className="size-4 accent-accent"
                      checked={along[key] ?? true}
                      onChange={(event) => setAlong((now) => ({ ...now, [key]: event.target.checked }))}
                    />
                    {name}
                  </label>
                ))}
              </fieldset>
              {isTable ? <TableColumns chosen={columns} onChange={setColumns} /> : null}
              {asksRolls ? (
                <fieldset>
                  <legend className="mb-1 text-caption text-second">{words.rolls.label({ n: losses?.varying ?? 0 })}</legend>
                  <label className="flex flex-wrap items-center gap-2">
                    {words.rolls.copies}
                    <input
                      type="number"
                      min={1}
                      max={MOST}
                      step={1}
                      required
                      className={`${control} w-16`}
                      value={rolls}
                      onChange={(event) => setRolls(event.target.value)}
                    />
                  </label>
                  <p className="text-caption text-quiet">{words.rolls.about}</p>
                </fieldset>
              ) : null}
            </div>
            <div className="flex flex-col gap-5 md:sticky md:top-6 md:self-start">
              <ExpectedLosses what={what} format={format} along={along} />
              {send.isError ? <Message look="problem">{send.error.message}</Message> : null}
              <p>
                <Button look="primary" type="submit" aria-disabled={send.isPending}>
                  {words.write}
                </Button>
              </p>
            </div>
          </div>
        </form>
      )}
    </Shell>
  )
}
