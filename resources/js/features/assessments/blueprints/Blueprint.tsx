import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import {
  type Ask,
  type Assembled,
  assemble,
  availabilityQuery,
  binBlueprint,
  blueprintQuery,
  restoreBlueprint,
  type Blueprint as Whole,
} from '@/api/blueprints'
import { useWide } from '@/lib/useWide'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Button } from '@/ui/Button'
import { ctrl, useCommands } from '@/ui/commands'
import { Menu } from '@/ui/Menu'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { Panes } from '@/ui/Panes'
import { useToast } from '@/ui/Toasts'
import { AskedFound } from './AskedFound'
import { demandsKey, linesKey, TOTAL, tablesOf, withTable } from './content'
import { DemandTable } from './DemandTable'
import { FoundTests } from './FoundTests'
import { MakeDialog } from './MakeDialog'
import { NewBlueprint } from './NewBlueprint'
import { PlacePane } from './PlacePane'
import { Reasons } from './Reasons'
import { RuleList } from './RuleList'
import { Scope } from './Scope'
import { useBlueprint } from './useBlueprint'

const words = texts.blueprints

/** A blueprint: what a test is to be made of, what the banks have for it, and the test that was found. */
export function Blueprint() {
  const id = useParams().id ?? ''
  const whole = useQuery({ ...blueprintQuery(id), refetchOnWindowFocus: false, staleTime: 0 })
  if (whole.data) return <Bench key={id} start={whole.data} />
  return (
    <Shell
      title={words.title}
      crumbs={[
        { title: texts.assembly.title, to: '/assessments' },
        { title: words.title, to: '/blueprints' },
      ]}
    >
      {whole.isError ? <Nothing title={whole.error.message} /> : <Waiting text={texts.loading} />}
    </Shell>
  )
}

type Solved = { found: Assembled; of: string; earlier: string[] }

function Bench({ start }: { start: Whole }) {
  const document = useBlueprint(start)
  const { content, change, stored } = document
  const client = useQueryClient()
  const navigate = useNavigate()
  const tell = useToast()
  const wide = useWide(900)
  const mayWrite = stored.may_write
  const [solved, setSolved] = useState<Solved | null>(null)
  const [kept, setKept] = useState<string[]>([])
  const [shown, setShown] = useState(0)
  const [place, setPlace] = useState<{ id: string; name: string } | null>(null)
  const [tests, setTests] = useState(1)
  const [common, setCommon] = useState(0)
  const [dialog, setDialog] = useState<'make' | 'copy' | null>(null)
  const lines = linesKey(content)
  // what is stored is what is counted: asked again once the change has arrived
  const storedLines = linesKey(stored.content)
  const availability = useQuery(availabilityQuery(stored.id, stored.version, storedLines))
  const demands = demandsKey(content)
  const isStale = solved !== null && solved.of !== demands
  const found = solved?.found
  const test = found?.tests[shown] ?? found?.tests[0]
  const fail = (problem: Error) => tell({ text: problem.message, look: 'problem' })
  const solve = useMutation({
    mutationFn: async ({ ask }: { ask: Ask; earlier: string[] }) => {
      await document.flush()
      return assemble(stored.id, { tests, common, ...ask })
    },
    onSuccess: (now, { earlier }) => {
      setSolved({ found: now, of: demands, earlier: [...new Set([...earlier, ...questionsOf(now)])] })
      setShown((at) => Math.min(at, Math.max(0, now.tests.length - 1)))
      setPlace(null)
    },
    onError: fail,
  })
  const go = () => (solve.isPending ? undefined : solve.mutate({ ask: { kept }, earlier: [] }))
  const another = () => {
    if (!solved || solve.isPending) return
    const earlier = isStale ? [] : solved.earlier
    solve.mutate({ ask: { kept, apart: earlier.filter((id) => !kept.includes(id)) }, earlier })
  }
  const exchange = useMutation({
    mutationFn: async ({ question, at }: { question: string; at: number }) => {
      if (!solved) throw new Error(words.nothingFound)
      const others = (solved.found.tests[at]?.questions ?? []).map((row) => row.id).filter((id) => id !== question)
      const inOthers = solved.found.tests.flatMap((one, i) => (i === at ? [] : one.questions.map((row) => row.id)))
      await document.flush()
      const now = await assemble(stored.id, {
        kept: others,
        without: [...new Set([question, ...inOthers])].filter((id) => !others.includes(id)),
      })
      return { now, at, question }
    },
    onSuccess: ({ now, at, question }) => {
      const instead = now.tests[0]
      if (!now.possible || !instead || !solved) return tell({ text: words.noExchange, look: 'problem' })
      const before = solved
      const after = { ...solved.found, tests: solved.found.tests.map((one, i) => (i === at ? instead : one)) }
      setSolved({ ...solved, found: after, earlier: [...new Set([...solved.earlier, ...questionsOf(now)])] })
      const was = before.found.tests[at]?.questions ?? []
      const isNew = instead.questions.find((row) => !was.some((one) => one.id === row.id))
      tell({
        text: words.exchanged({ before: was.find((row) => row.id === question)?.title ?? '', after: isNew?.title ?? '' }),
        undo: () => setSolved(before),
      })
    },
    onError: fail,
  })
  const bin = useMutation({
    mutationFn: async () => {
      await document.flush()
      await binBlueprint(stored.id)
    },
    onSuccess: () => {
      const again = () => client.invalidateQueries({ queryKey: ['blueprints'] })
      again()
      client.removeQueries({ queryKey: ['blueprint', stored.id] })
      tell({ text: words.binned({ title: stored.title }), undo: () => restoreBlueprint(stored.id).then(again, fail) })
      navigate('/blueprints')
    },
    onError: fail,
  })
  const here = texts.frame.groups.here
  useCommands('blueprint', [
    {
      id: 'assemble',
      group: here,
      title: words.assemble,
      keys: 'Ctrl Enter',
      on: (event) => event.key === 'Enter' && (event.ctrlKey || event.metaKey),
      run: go,
    },
    { id: 'another', group: here, title: words.another, run: another },
    ...(mayWrite
      ? [
          { id: 'undo', group: here, title: texts.desk.undo, keys: 'Ctrl Z', on: ctrl('z'), run: () => document.undo() },
          {
            id: 'redo',
            group: here,
            title: texts.desk.redo,
            keys: 'Ctrl Shift Z',
            on: (event: KeyboardEvent) => (event.ctrlKey || event.metaKey) && event.shiftKey && event.key.toLowerCase() === 'z',
            run: () => document.redo(),
          },
        ]
      : []),
  ])
  const short = new Set([
    ...(isStale || found?.possible !== false ? [] : found.reasons.map((one) => one.id)),
    ...(isStale || found?.possible !== false ? [] : (test?.short ?? []).map((one) => one.place)),
  ])
  const total = availability.data?.places[TOTAL]
  const tables = tablesOf(content)
  const demandsPane = (
    <div className="h-full overflow-y-auto px-4 pb-8">
      <input
        aria-label={texts.assembly.name}
        value={content.title}
        maxLength={500}
        disabled={!mayWrite}
        onChange={(event) => change((now) => ({ ...now, title: event.target.value }), 'title')}
        className="mt-2 w-full rounded-ui border border-transparent bg-transparent py-0.5 text-head font-semibold hover:border-edge focus:bg-paper"
      />
      <Scope content={content} stored={stored} mayWrite={mayWrite} total={total?.usable} onChange={change} />
      {stored.hidden_banks > 0 ? <Message look="attention">{words.hiddenBanks({ n: stored.hidden_banks })}</Message> : null}
      <div className="pt-4">
        {tables.map((table, i) => (
          <DemandTable
            key={table.id}
            table={table}
            stored={stored}
            banks={stored.content.banks ?? []}
            isFirst={i === 0}
            mayWrite={mayWrite}
            availability={lines === storedLines ? availability.data : undefined}
            found={isStale ? undefined : test?.places}
            short={short}
            place={place?.id ?? null}
            onPlace={(id, name) => setPlace({ id, name })}
            onTable={(edit) => change((now) => withTable(now, table.id, edit))}
            onRemove={() => change((now) => ({ ...now, tables: tablesOf(now).filter((one) => one.id !== table.id) }))}
          />
        ))}
        {mayWrite ? (
          <p className="pb-4">
            <Button
              look="quiet"
              className="-ml-3"
              onClick={() =>
                change((now) => ({
                  ...now,
                  tables: [...tablesOf(now), { id: `t${freshTable(tablesOf(now))}`, rows: [], columns: [], cells: [], only: false }],
                }))
              }
            >
              {words.addTable}
            </Button>
          </p>
        ) : null}
        <RuleList content={content} stored={stored} mayWrite={mayWrite} short={short} onChange={change} />
        <p className="flex flex-wrap items-center gap-2 pt-2 text-second">
          {words.testsAtOnce}
          <select
            aria-label={words.testsAtOnce}
            className="min-h-8 rounded-ui border border-edge bg-paper px-2 text-ink"
            value={tests}
            onChange={(event) => setTests(Number(event.target.value))}
          >
            {Array.from({ length: 8 }, (_, i) => i + 1).map((n) => (
              <option key={n} value={n}>
                {n}
              </option>
            ))}
          </select>
          {tests > 1 ? (
            <>
              {words.withCommon}
              <input
                type="number"
                aria-label={words.withCommon}
                min={0}
                max={500}
                className="min-h-8 w-16 rounded-ui border border-edge bg-paper px-2 text-ink"
                value={common}
                onChange={(event) => setCommon(Math.min(500, Math.max(0, Math.trunc(Number(event.target.value) || 0))))}
              />
              {words.commonEnd}
            </>
          ) : null}
        </p>
      </div>
    </div>
  )
  const side = (
    <div className="h-full overflow-y-auto bg-paper p-4">
      {solve.isPending ? <Waiting text={words.assembling} /> : null}
      {found && isStale ? <p className="pb-3 text-caption text-attention">{words.stale}</p> : null}
      {found ? (
        <Reasons
          found={found}
          mayWrite={mayWrite}
          {...(kept.length > 0 ? { onUnlock: () => setKept([]) } : {})}
          onTake={(blueprint) => {
            change((now) => ({ ...blueprint, id: now.id, title: now.title }))
            tell({ text: words.relaxed, undo: document.undo })
          }}
        />
      ) : null}
      {place ? (
        <PlacePane
          id={stored.id}
          place={place.id}
          name={place.name}
          lines={storedLines}
          total={availability.data?.places[place.id]?.have}
          mayWrite={mayWrite}
          onChange={change}
          onClose={() => setPlace(null)}
        />
      ) : found && test?.questions.length === 0 ? (
        found.possible ? (
          <Nothing title={words.nothingAsked} />
        ) : null
      ) : found && test ? (
        <>
          {tables[0] ? (
            <AskedFound table={tables[0]} places={test.places} totals={test.totals} available={availability.data?.places} />
          ) : null}
          <p className="flex flex-wrap gap-2 pb-3">
            <Button look="primary" onClick={() => setDialog('make')}>
              {words.makeButton({ n: found.tests.length })}
            </Button>
            {found.possible ? (
              <Button aria-disabled={solve.isPending} onClick={another}>
                {words.another}
              </Button>
            ) : null}
          </p>
          <FoundTests
            found={found}
            shown={shown}
            onShow={setShown}
            kept={kept}
            onKept={setKept}
            isBusy={exchange.isPending || solve.isPending}
            onExchange={(at, question) => exchange.mutate({ at, question })}
          />
        </>
      ) : (
        <Nothing title={words.begin}>{words.beginNext}</Nothing>
      )}
    </div>
  )
  return (
    <Shell
      title={content.title}
      crumbs={[{ title: texts.assembly.title, to: '/assessments' }, { title: words.title, to: '/blueprints' }, { title: content.title }]}
      aside={
        <>
          {stored.bank.name}, <span role="status">{document.keeping === 'kept' ? '' : texts.assembly.keeping[document.keeping]}</span>
        </>
      }
      actions={
        <>
          <Menu.Root align="end" button={<Button>{texts.bank.more}</Button>}>
            <Menu.Item onSelect={() => setDialog('copy')}>{words.duplicate}</Menu.Item>
            {mayWrite ? <Menu.Item onSelect={() => bin.mutate()}>{texts.assembly.remove}</Menu.Item> : null}
          </Menu.Root>
          <Button look="primary" aria-disabled={solve.isPending} onClick={go}>
            {words.assemble}
          </Button>
        </>
      }
    >
      {wide ? (
        <Panes
          name="blueprint"
          borderName={(pane) => texts.frame.border({ pane })}
          panes={[{ id: 'demands', label: words.demands, body: demandsPane, size: 850, min: 480, max: 1400 }]}
          last={side}
        />
      ) : (
        <div className="h-full overflow-y-auto">
          {demandsPane}
          {side}
        </div>
      )}
      {dialog === 'make' && found ? (
        <MakeDialog
          id={stored.id}
          bank={stored.bank.slug}
          content={content}
          found={found}
          onLayout={async (into) => {
            if (mayWrite) {
              change((now) => ({ ...now, into }))
              await Promise.resolve()
            }
            await document.flush()
          }}
          onClose={() => setDialog(null)}
        />
      ) : null}
      {dialog === 'copy' ? (
        <NewBlueprint like={{ id: stored.id, title: stored.title, bank: stored.bank.slug }} onClose={() => setDialog(null)} />
      ) : null}
    </Shell>
  )
}

const questionsOf = (found: Assembled) => found.tests.flatMap((test) => test.questions.map((row) => row.id))

function freshTable(tables: { id: string }[]): number {
  let n = tables.length + 1
  while (tables.some((table) => table.id === `t${n}`)) n++
  return n
}
