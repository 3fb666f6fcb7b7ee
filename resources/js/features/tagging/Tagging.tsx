import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { Link, useParams } from 'react-router'
import { bankQuery, questionQuery, treesQuery } from '@/api/queries'
import { frameworkQuery, frameworksQuery } from '@/api/standards'
import { filterQuery } from '@/browse/filterQuery'
import { useAddress } from '@/lib/useAddress'
import { texts } from '@/messages'
import { pathsOf } from '@/question/record/paths'
import { TryPane } from '@/question/try/TryPane'
import { Shell } from '@/shell/Shell'
import { alignmentTo } from '@/standards/alignmentTo'
import { frameworkName, statementName } from '@/standards/statementName'
import { Button } from '@/ui/Button'
import { useCommands } from '@/ui/commands'
import { control } from '@/ui/Field'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'
import { Decide } from './Decide'
import { type Decision, undecided, useTagging } from './useTagging'

const words = texts.tagging
/** A statement or topic as it is offered. */
export type TagNode = { id: string; code: string; name: string; text: string }

/** Many questions against one tree: read, take a proposal or search, go on; all of it by keys. */
export function Tagging() {
  const slug = useParams().slug ?? ''
  const { address, change } = useAddress()
  const bank = useQuery(bankQuery(slug))
  const frameworks = useQuery(frameworksQuery).data?.data
  const byTopics = address.get('topics') === '1'
  const framework = byTopics ? '' : (address.get('tree') ?? frameworks?.[0]?.id ?? '')
  const nodes = useNodes(slug, framework, byTopics)
  const [decision, setDecision] = useState<Decision>(undecided)
  const [before, setBefore] = useState<Decision | null>(null)
  const search = useRef<HTMLInputElement>(null)
  const panel = useRef<HTMLElement>(null)
  const tell = useToast()
  const named = new Map(nodes?.map((one) => [one.id, one]))
  const statements = useQuery(frameworkQuery(framework)).data
  const paths = new Map(pathsOf(useQuery(treesQuery(slug)).data?.topics ?? []))
  const asChange = ({ nodes, difficulty, purpose, level }: Decision) => ({
    ...(byTopics ? { topics: { add: nodes.flatMap(({ id }) => (paths.has(id) ? [paths.get(id) ?? []] : [])) } } : {}),
    record: {
      ...(byTopics
        ? {}
        : {
            standards: {
              add: nodes.map(({ id, touches }) => ({
                ...alignmentTo({ id, framework: statements?.title ?? '', code: named.get(id)?.code ?? '' }),
                ...(touches ? { relation: 'touches' as const } : {}),
              })),
            },
          }),
      ...(difficulty === null ? {} : { difficulty: { set: difficulty } }),
      ...(purpose.trim() === '' ? {} : { purpose: { add: [purpose.trim()] } }),
      ...(level.trim() === '' ? {} : { level: { set: level.trim() } }),
    },
  })
  const ready = nodes !== undefined && (byTopics || framework !== '')
  const tagging = useTagging(ready ? slug : '', framework, filterQuery(address), asChange)
  const current = tagging.current
  const whole = useQuery({ ...questionQuery(current?.question ?? ''), enabled: current !== undefined })
  useQuery({ ...questionQuery(tagging.following ?? ''), enabled: tagging.following !== undefined })
  const title = whole.data?.name ?? ''
  // biome-ignore lint/correctness/useExhaustiveDependencies: each question begins undecided, and is read from its beginning
  useEffect(() => {
    const record = whole.data?.question.record
    setDecision({ ...undecided, difficulty: record?.difficulty ?? null, level: record?.level ?? '' })
    panel.current?.focus()
  }, [current?.question, whole.data?.id])
  const toggle = (id: string, touches = false) =>
    setDecision((now) => {
      const has = now.nodes.find((one) => one.id === id)
      const others = now.nodes.filter((one) => one.id !== id)
      return { ...now, nodes: has && has.touches === touches ? others : [...others, { id, touches }] }
    })
  const decide = (what: Decision) => {
    if (!current || what.nodes.length === 0) {
      tell({ text: words.none })
      return
    }
    setBefore(what)
    tagging.decide(what, title)
  }
  const same = () => {
    if (before) decide({ ...before, difficulty: decision.difficulty ?? before.difficulty })
  }
  const undo = () =>
    tagging.undo().then(
      (title) => (title === null ? undefined : tell({ text: words.undone({ title }) })),
      (problem: Error) => tell({ text: problem.message, look: 'problem' }),
    )
  const group = texts.frame.groups.here
  const key = (id: string, keys: string, name: string, on: (event: KeyboardEvent) => boolean, run: () => void) => ({
    id: `tagging-${id}`,
    group,
    title: name,
    keys,
    single: true,
    on,
    run,
  })
  useCommands('tagging', [
    ...(current?.proposals ?? []).flatMap((one, i) => [
      key(`take-${i}`, `${i + 1}`, words.take({ n: i + 1, name: named.get(one.node)?.name ?? '' }), digit(i + 1, false), () =>
        toggle(one.node),
      ),
      key(
        `touch-${i}`,
        `Shift ${i + 1}`,
        `${words.take({ n: i + 1, name: named.get(one.node)?.name ?? '' })} (${words.touch})`,
        digit(i + 1, true),
        () => toggle(one.node, true),
      ),
    ]),
    key(
      'next',
      'Enter',
      words.next,
      (event) => event.key === 'Enter' && !isButton(event),
      () => decide(decision),
    ),
    key(
      'search',
      '/',
      words.search,
      (event) => event.key === '/',
      () => search.current?.focus(),
    ),
    key('same', '=', words.same, (event) => event.key === '=', same),
    key('skip', 'S', words.skip, (event) => event.key.toLowerCase() === 's', tagging.skip),
    key('undo', 'U', words.undo, (event) => event.key.toLowerCase() === 'u', undo),
    ...[1, 2, 3, 4, 5].map((n) => ({
      id: `tagging-difficulty-${n}`,
      group,
      title: texts.bank.difficulty({ n }),
      keys: `Alt ${n}`,
      on: (event: KeyboardEvent) => event.altKey && !event.ctrlKey && event.code === `Digit${n}`,
      run: () => setDecision((now) => ({ ...now, difficulty: n })),
    })),
  ])
  const all = tagging.left ?? 0
  return (
    <Shell
      title={words.title}
      crumbs={[{ title: texts.banks.title, to: '/banks' }, { title: bank.data?.name ?? '…', to: `/banks/${slug}` }, { title: words.title }]}
      aside={
        tagging.left === null ? null : (
          <span role="status">
            {words.progress({ done: tagging.done.length, all })}
            {tagging.elsewhere > 0 ? `, ${words.elsewhere({ n: tagging.elsewhere })}` : ''}
          </span>
        )
      }
      actions={
        <label className="flex items-center gap-2 text-caption text-second">
          {words.tree}
          <select
            className={control}
            value={byTopics ? 'topics' : framework}
            onChange={(event) =>
              change((next) => {
                next.delete('tree')
                next.delete('topics')
                if (event.target.value === 'topics') next.set('topics', '1')
                else next.set('tree', event.target.value)
              })
            }
          >
            {frameworks?.map((one) => (
              <option key={one.id} value={one.id}>
                {frameworkName(one)}
              </option>
            ))}
            <option value="topics">{words.topics}</option>
          </select>
        </label>
      }
    >
      {tagging.problem ? (
        <div className="p-3">
          <Message look="problem" actions={<Button onClick={tagging.retry}>{texts.problem.retry}</Button>}>
            {tagging.problem}
          </Message>
        </div>
      ) : null}
      {tagging.isOver ? (
        <Nothing title={tagging.skipped.length > 0 ? words.restSkipped : words.allDone}>
          <p>{words.allDoneNext}</p>
          <p className="mt-3 flex gap-3">
            {tagging.skipped.length > 0 ? <Button onClick={tagging.unskip}>{words.again}</Button> : null}
            {tagging.done.length > 0 ? <Button onClick={undo}>{words.undo}</Button> : null}
            <Link
              className="inline-flex min-h-8 items-center font-semibold text-accent hover:underline"
              to={`/coverage?${byTopics ? `topics=${slug}` : `framework=${framework}&bank=${slug}`}`}
            >
              {texts.frame.coverage}
            </Link>
          </p>
        </Nothing>
      ) : current && whole.data && nodes ? (
        <div className="grid h-full grid-cols-[minmax(0,1fr)_440px] max-lg:grid-cols-1 max-lg:overflow-y-auto">
          <section
            ref={panel}
            tabIndex={-1}
            aria-label={words.question}
            className="overflow-y-auto px-10 py-6 outline-none max-lg:overflow-visible max-md:px-4"
          >
            <h2 className="mb-3 text-head font-semibold">{title}</h2>
            <TryPane key={current.question} stored question={whole.data.question} bank={whole.data.bank.slug} showKey />
          </section>
          <Decide
            key={`decide ${current.question}`}
            proposals={current.proposals}
            nodes={nodes}
            framework={framework}
            decision={decision}
            before={before}
            search={search}
            onToggle={toggle}
            onChange={setDecision}
            onNext={() => decide(decision)}
            onSame={same}
            onSkip={tagging.skip}
            onUndo={tagging.done.length > 0 ? undo : null}
            onLeaveSearch={() => panel.current?.focus()}
          />
        </div>
      ) : (
        <Waiting text={texts.loading} />
      )}
    </Shell>
  )
}

/** The digit itself, whatever Shift makes of it on a keyboard. */
const digit = (n: number, shift: boolean) => (event: KeyboardEvent) => event.code === `Digit${n}` && event.shiftKey === shift
const isButton = (event: KeyboardEvent) => event.target instanceof HTMLElement && event.target.closest('button, a, summary') !== null

function useNodes(slug: string, framework: string, byTopics: boolean): TagNode[] | undefined {
  const whole = useQuery(frameworkQuery(framework)).data
  const trees = useQuery({ ...treesQuery(slug), enabled: byTopics }).data
  if (byTopics) return trees ? pathsOf(trees.topics).map(([id, path]) => ({ id, code: '', name: path.join(' › '), text: '' })) : undefined
  return whole?.statements.map((one) => ({ id: one.id, code: one.code, name: statementName(one), text: one.text }))
}
