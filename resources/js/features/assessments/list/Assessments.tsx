import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { assessmentsQuery, assessmentTopicsQuery } from '@/api/assembly'
import { useAddress } from '@/lib/useAddress'
import { useWide } from '@/lib/useWide'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { NewAssessment } from '@/shell/tray/NewAssessment'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { useCommands } from '@/ui/commands'
import { Nothing } from '@/ui/Message'
import { Panes } from '@/ui/Panes'
import { AssessmentTable } from './AssessmentTable'
import { BinnedAssessments } from './BinnedAssessments'
import { FolderTree } from './FolderTree'
import { joined, type Listed, shownOf, split, valuesOf } from './listed'
import { MoveDialog } from './MoveDialog'

const words = texts.assembly.places
const choice =
  'min-h-7 max-w-48 rounded-ui border [field-sizing:content] border-transparent bg-transparent text-caption text-second hover:border-edge'

/** The assessments one may read: in folders, searched, narrowed; those opened last come first. */
export function Assessments() {
  const { address, set, change } = useAddress()
  const navigate = useNavigate()
  const isBin = address.get('is') === 'binned'
  const query = useQuery({ ...assessmentsQuery, enabled: !isBin })
  const rows = query.data ?? []
  const [making, setMaking] = useState(false)
  const [picked, setPicked] = useState<string[]>([])
  const [doing, setDoing] = useState<'merge' | 'move' | null>(null)
  const wide = useWide(900)
  const get = (name: string) => address.get(name) ?? ''
  const asked: Listed = {
    words: get('words'),
    bank: get('bank'),
    folder: split(get('folder')),
    state: get('state'),
    used: get('used'),
    group: get('group'),
    course: get('course'),
    term: get('term'),
    sort: get('sort'),
  }
  const shown = shownOf(rows, asked)
  const some = shown.filter((row) => picked.includes(row.id))
  const byTopic = get('strata') === 'topic'
  const topics = useQuery({ ...assessmentTopicsQuery, enabled: byTopic })
  useCommands('assessments', [
    { id: 'make', group: texts.frame.groups.here, title: texts.assembly.make, run: () => setMaking(true) },
    { id: 'bin', group: texts.frame.groups.here, title: texts.assembly.bin, run: () => set('is', 'binned') },
  ])
  const select = (name: keyof Listed | 'strata', label: string, options: [string, string][]) =>
    options.length === 0 ? null : (
      <select aria-label={label} title={label} className={choice} value={get(name)} onChange={(event) => set(name, event.target.value)}>
        {options.map(([value, title]) => (
          <option key={value} value={value}>
            {title}
          </option>
        ))}
      </select>
    )
  const named = (any: string, values: string[]): [string, string][] =>
    values.length === 0 ? [] : [['', any], ...values.map((one): [string, string] => [one, one])]
  const years = valuesOf(rows, (row) => row.used.map((one) => one.on.slice(0, 4))).reverse()
  const table = (
    <div className="flex h-full flex-col">
      <div className="flex flex-none flex-wrap items-center gap-2 border-hairline border-b px-4 py-2">
        <p className="flex-1" role="status">
          {query.data ? words.found({ n: shown.length, of: rows.length }) : ''}
        </p>
        {select('state', words.state, [
          ['', words.anyState],
          ...Object.entries(texts.assembly.states).map(([key, name]): [string, string] => [key, name]),
        ])}
        {select('used', words.used, [
          ['', words.usedOrNot],
          ['never', words.neverUsed],
          ...years.map((year): [string, string] => [year, words.usedIn({ year })]),
        ])}
        {select(
          'group',
          words.group,
          named(
            words.anyGroup,
            valuesOf(rows, (row) => row.used.map((one) => one.with)),
          ),
        )}
        {select(
          'course',
          words.course,
          named(
            words.anyCourse,
            valuesOf(rows, (row) => [row.course]),
          ),
        )}
        {select(
          'term',
          words.term,
          named(
            words.anyTerm,
            valuesOf(rows, (row) => [row.term]),
          ),
        )}
        {select('strata', words.strata, [
          ['', words.byKind],
          ['topic', words.byTopic],
        ])}
        {select('sort', texts.bank.sort, Object.entries(words.sorts))}
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto px-4">
        <Asked query={query} />
        {query.data && rows.length === 0 ? <Nothing title={texts.assembly.none}>{texts.assembly.noneNext}</Nothing> : null}
        {rows.length > 0 && shown.length === 0 ? (
          <Nothing title={words.nothing}>
            <Button
              onClick={() =>
                change((next) => {
                  for (const name of Object.keys(asked)) next.delete(name)
                })
              }
            >
              {texts.bank.clearAll}
            </Button>
          </Nothing>
        ) : null}
        {shown.length > 0 ? (
          <AssessmentTable rows={shown} picked={picked} onPick={setPicked} topics={byTopic ? topicsOf(topics.data ?? []) : undefined} />
        ) : null}
      </div>
    </div>
  )
  const folders = (
    <FolderTree
      rows={rows}
      bank={asked.bank}
      folder={asked.folder}
      onShow={(bank, folder) =>
        change((next) => {
          for (const [name, value] of [
            ['bank', bank],
            ['folder', joined(folder)],
          ] as const)
            if (value === '') next.delete(name)
            else next.set(name, value)
        })
      }
    />
  )
  return (
    <Shell
      title={isBin ? texts.assembly.bin : texts.assembly.title}
      crumbs={
        isBin ? [{ title: texts.assembly.title, to: '/assessments' }, { title: texts.assembly.bin }] : [{ title: texts.assembly.title }]
      }
      {...(isBin ? {} : { search: { label: words.search, value: asked.words, onChange: (typed: string) => set('words', typed, true) } })}
      actions={
        <>
          {!isBin && some.length > 0 && some.every((row) => row.may_write && row.bank === some[0]?.bank) ? (
            <Button onClick={() => setDoing('move')}>{words.move({ n: some.length })}</Button>
          ) : null}
          {!isBin && some.length > 1 ? (
            <Button onClick={() => setDoing('merge')}>{texts.assembly.merge.go({ n: some.length })}</Button>
          ) : null}
          {isBin ? null : <Button onClick={() => navigate('/blueprints')}>{texts.blueprints.title}</Button>}
          <Button onClick={() => set('is', isBin ? '' : 'binned')}>{isBin ? texts.assembly.toList : texts.assembly.bin}</Button>
          <Button look="primary" onClick={() => setMaking(true)}>
            {texts.assembly.make}
          </Button>
        </>
      }
    >
      {isBin ? (
        <BinnedAssessments />
      ) : (
        <Panes
          name="assessments"
          borderName={(pane) => texts.frame.border({ pane })}
          panes={wide ? [{ id: 'folders', label: words.folders, body: folders, size: 260, min: 180, max: 420 }] : []}
          last={table}
        />
      )}
      {making ? (
        <NewAssessment {...(asked.bank ? { place: { bank: asked.bank, folder: asked.folder } } : {})} onClose={() => setMaking(false)} />
      ) : null}
      {doing === 'merge' ? <NewAssessment merge={some} onClose={() => setDoing(null)} /> : null}
      {doing === 'move' ? <MoveDialog rows={some} onClose={() => setDoing(null)} /> : null}
    </Shell>
  )
}

function topicsOf(lines: { id: string; topic: string; questions: number }[]): Map<string, Record<string, number>> {
  const topics = new Map<string, Record<string, number>>()
  for (const { id, topic, questions } of lines) topics.set(id, { ...topics.get(id), [topic]: questions })
  return topics
}
