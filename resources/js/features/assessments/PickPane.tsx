import { useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { banksQuery, questionsQuery } from '@/api/queries'
import type { FoundStatement } from '@/api/standards'
import { QUESTION } from '@/lib/assessment'
import { storedText, storeText } from '@/lib/storage'
import { texts } from '@/messages'
import { QuestionListRow, ROW_HEIGHT } from '@/question/QuestionListRow'
import { useTray } from '@/shell/tray/useTray'
import { StatementPicker } from '@/standards/StatementPicker'
import { statementName } from '@/standards/statementName'
import { Button } from '@/ui/Button'
import { Chip } from '@/ui/Chip'
import { control } from '@/ui/Field'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { SearchField } from '@/ui/SearchField'
import { VirtualRows } from '@/ui/VirtualRows'
import { PickReading } from './PickReading'

type Props = {
  home: string
  taken: Set<string>
  /** Pools that questions may go into as well. */
  draws: { id: string; title: string }[]
  /** The one at hand. */
  into: string | undefined
  onAdd: (questions: string[], into?: string) => void
  onTakeOut: (question: string) => void
}

/** Banks to pick from: add with Enter or the button; what is taken is marked, and taken out the same way. */
export function PickPane({ home, taken, draws, into, onAdd, onTakeOut }: Props) {
  const [chosen, setChosen] = useState<string | null>(null)
  const wanted = chosen ?? into ?? ''
  const target = draws.some((one) => one.id === wanted) ? wanted : ''
  const put = (questions: string[]) => (target ? onAdd(questions, target) : onAdd(questions))
  const banks = (useQuery(banksQuery).data ?? []).filter((bank) => !bank.archived)
  const [slug, setSlug] = useState(() =>
    remembered(
      home,
      banks.map((bank) => bank.slug),
    ),
  )
  const [words, setWords] = useState('')
  const [standard, setStandard] = useState<FoundStatement | null>(null)
  const [active, setActive] = useState<string>()
  const tray = useTray()
  const pages = useInfiniteQuery(questionsQuery(slug, filterOf(words, standard)))
  const rows = useMemo(() => pages.data?.pages.flatMap((page) => page.data) ?? [], [pages.data])
  const waiting = tray.ids.filter((id) => !taken.has(id))
  const toggle = (id: string) => (taken.has(id) ? onTakeOut(id) : put([id]))
  return (
    <div className="flex h-full flex-col">
      <div className="flex flex-none flex-col gap-2 border-hairline border-b p-3">
        {waiting.length > 0 ? <Button onClick={() => put(waiting)}>{texts.assembly.addAll({ n: waiting.length })}</Button> : null}
        <select
          aria-label={texts.assembly.pickFrom}
          className={control}
          value={slug}
          onChange={(event) => {
            setSlug(event.target.value)
            remember(home, event.target.value)
            setActive(undefined)
          }}
        >
          {banks.map((bank) => (
            <option key={bank.slug} value={bank.slug}>
              {bank.name} ({bank.question_count})
            </option>
          ))}
        </select>
        {draws.length > 0 ? (
          <select
            aria-label={texts.assembly.putInto}
            className={control}
            value={target}
            onChange={(event) => setChosen(event.target.value)}
          >
            <option value="">{texts.assembly.askEach}</option>
            {draws.map((one) => (
              <option key={one.id} value={one.id}>
                {texts.assembly.intoPool({ title: one.title })}
              </option>
            ))}
          </select>
        ) : null}
        <SearchField label={texts.assembly.pickWords} value={words} onChange={setWords} />
        {standard ? (
          <Chip onRemove={() => setStandard(null)} removeName={texts.record.takeOff({ what: standard.code })}>
            {statementName(standard)}
          </Chip>
        ) : (
          <StatementPicker label={texts.assembly.pickStandard} placeholder={texts.assembly.pickStandard} onPick={setStandard} />
        )}
      </div>
      <div className="min-h-0 flex-1">
        {pages.isPending ? <Waiting text={texts.loading} /> : null}
        {pages.isError ? <Message look="problem">{pages.error.message}</Message> : null}
        {pages.data && rows.length === 0 ? <Nothing title={texts.bank.nothing} /> : null}
        {rows.length > 0 ? (
          <VirtualRows
            label={texts.bank.list}
            rows={rows}
            all={pages.data?.pages[0]?.meta.found ?? undefined}
            height={ROW_HEIGHT}
            id={(row) => row.id}
            active={active}
            selected={[...taken]}
            onActive={(row) => setActive(row.id)}
            onSelect={(row) => toggle(row.id)}
            onOpen={(row) => toggle(row.id)}
            onEnd={() => (pages.hasNextPage && !pages.isFetchingNextPage ? pages.fetchNextPage() : undefined)}
            drag={(row) => ({ type: QUESTION, id: row.id, revision: row.revision })}
            draw={(row, state) => <QuestionListRow row={row} {...state} taken={taken.has(row.id)} />}
          />
        ) : null}
      </div>
      {active ? <PickReading id={active} taken={taken.has(active)} onToggle={() => toggle(active)} /> : null}
    </div>
  )
}

const filterOf = (words: string, standard: FoundStatement | null) =>
  new URLSearchParams({ ...(words === '' ? {} : { words }), ...(standard ? { standard: standard.id } : {}) }).toString()

const remember = (home: string, slug: string) => storeText(`pick:${home}`, slug, 'session')
const remembered = (home: string, slugs: string[]) => {
  const slug = storedText(`pick:${home}`, 'session')
  return slug && (slugs.length === 0 || slugs.includes(slug)) ? slug : home
}
