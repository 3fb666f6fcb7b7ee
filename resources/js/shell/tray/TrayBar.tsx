import { useQuery } from '@tanstack/react-query'
import { memo, useState } from 'react'
import { useNavigate } from 'react-router'
import { assessmentsQuery, type TrayRow } from '@/api/assembly'
import { banksQuery } from '@/api/queries'
import type { ManyAsked, ManyWhat } from '@/bulk/Many'
import { list } from '@/lib/format'
import { lazily } from '@/lib/lazily'
import { texts } from '@/messages'
import { kindNames } from '@/parts/words'
import { Menu } from '@/ui/Menu'
import { useToast } from '@/ui/Toasts'
import { useAddTo } from './useAddTo'
import { useAtHand } from './useAtHand'
import { useTray } from './useTray'

/** ManyWhat a bank's list adds: everything that matches may be meant instead of what is ticked. */
export type TrayScope = {
  slug: string
  mayWrite: boolean
  found: number
  filter: string
  all: boolean
  onAll: () => void
  onNotAll: () => void
}
const Many = lazily(() => import('@/bulk/Many'), 'Many')
const JoinJudged = lazily(() => import('./JoinJudged'), 'JoinJudged')
const NewAssessment = lazily(() => import('./NewAssessment'), 'NewAssessment')
const button = 'min-h-8 rounded-ui border border-on-bar/40 px-3 font-semibold hover:bg-on-bar hover:text-bar'

/** The tray, at the bottom of every screen while something lies in it. */
export const TrayBar = memo(function TrayBar({ scope }: { scope?: TrayScope | undefined }) {
  const tray = useTray()
  const tell = useToast()
  const navigate = useNavigate()
  const hand = useAtHand().assessment
  const add = useAddTo()
  const [doing, setDoing] = useState<ManyAsked | null>(null)
  const [making, setMaking] = useState(false)
  const known = useQuery({ ...banksQuery, enabled: tray.rows.length > 0 }).data ?? []
  if (tray.rows.length === 0) return null
  const all = scope?.all ?? false
  const writable = known.find((one) => one.may_write && !one.archived)?.slug ?? ''
  const mayPlace = all && scope ? scope.mayWrite : writable !== ''
  const n = tray.rows.length
  const points = tray.rows.reduce((sum, row) => sum + row.points, 0)
  const kinds = new Map<string, number>()
  for (const row of tray.rows) for (const kind of row.kinds) kinds.set(kind, (kinds.get(kind) ?? 0) + 1)
  const title = all ? texts.bank.allMatching({ n: scope?.found ?? 0 }) : texts.tray.holds({ n })
  const banks = [...new Map(tray.rows.filter((row) => row.may_write).map((row) => [row.bank, row.bank_name]))]
  const begin = (what: ManyWhat, slug: string) => {
    // Placing takes whatever lies in the tray; all else is done where a question lives.
    const ids = tray.rows.filter((row) => what === 'place' || row.bank === slug).map((row) => row.id)
    const atHome = all || tray.rows.every((row) => row.bank === slug)
    setDoing(
      all && scope
        ? { what, slug: scope.slug, target: { filter: scope.filter }, count: scope.found, atHome }
        : { what, slug, target: { ids }, count: ids.length, atHome },
    )
  }
  const most = (names: [ManyWhat, string][]) => (
    <Menu.Root
      align="end"
      button={
        <button type="button" className={button}>
          {texts.tray.more}
        </button>
      }
    >
      {(all ? [['' as string, '']] : banks).flatMap(([slug, bank], i) => [
        ...(i > 0 ? [<Menu.Line key={`line ${slug}`} />] : []),
        ...(banks.length > 1 && !all ? [<Menu.Label key={`of ${slug}`}>{bank}</Menu.Label>] : []),
        ...names.map(([what, name]) => (
          <Menu.Item key={`${what} ${slug}`} onSelect={() => begin(what, slug ?? '')}>
            {name}
          </Menu.Item>
        )),
      ])}
      {all ? null : (
        <>
          <Menu.Line />
          <Menu.Item onSelect={() => navigate('/dispatches/new?what=tray')}>{texts.tray.send}</Menu.Item>
        </>
      )}
    </Menu.Root>
  )
  const may = all && scope ? scope.mayWrite : banks.length > 0
  const act = (what: ManyWhat, name: string) => {
    if (!may) return null
    if (banks.length < 2 || all)
      return (
        <button type="button" className={button} onClick={() => begin(what, banks[0]?.[0] ?? '')}>
          {name}
        </button>
      )
    return (
      <Menu.Root
        align="end"
        button={
          <button type="button" className={button}>
            {name} …
          </button>
        }
      >
        {banks.map(([slug, bank]) => (
          <Menu.Item key={slug} onSelect={() => begin(what, slug)}>
            {bank} ({tray.rows.filter((row: TrayRow) => row.bank === slug).length})
          </Menu.Item>
        ))}
      </Menu.Root>
    )
  }
  const empty = () => {
    const before = tray.rows
    tray.remove(tray.ids)
    scope?.onNotAll()
    tell({ text: texts.tray.emptied({ n: before.length }), undo: () => tray.add(before) })
  }
  return (
    <section aria-label={texts.tray.title} className="flex min-h-12 flex-none flex-wrap items-center gap-3 bg-bar px-4 py-1.5 text-on-bar">
      <p className="min-w-48 flex-1" aria-live="polite">
        <strong>{title}</strong>{' '}
        {all ? null : (
          <span>
            · {texts.points({ n: points })} · {list([...kinds].map(([kind, n]) => texts.tray.ofKind({ n, kind: kindNames[kind] ?? kind })))}
          </span>
        )}
      </p>
      {scope && !all && scope.found > n ? (
        <button type="button" className="min-h-8 underline" onClick={scope.onAll}>
          {texts.bank.selectAll({ n: scope.found })}
        </button>
      ) : null}
      {all ? null : (
        <>
          {hand ? (
            <button type="button" className={button} onClick={() => add.mutate({ id: hand.id, questions: tray.ids })}>
              {texts.tray.addTo({ title: hand.title })}
            </button>
          ) : null}
          <AddMenu atHand={hand?.id} onAdd={(id) => add.mutate({ id, questions: tray.ids })} onNew={() => setMaking(true)} />
        </>
      )}
      {act('change', texts.tray.change)}
      {mayPlace ? (
        <button type="button" className={button} onClick={() => begin('place', scope?.mayWrite ? scope.slug : (banks[0]?.[0] ?? writable))}>
          {texts.acts.place.menu}
        </button>
      ) : null}
      {!all && n > 1 && banks[0] && tray.rows.every((row) => row.kinds.length === 1) ? (
        <JoinJudged questions={tray.ids} kinds={kinds} bank={banks[0][0]} className={button} />
      ) : null}
      {may || !all
        ? most(
            may
              ? [
                  ['replace', texts.acts.replace.menu],
                  ['bin', texts.acts.bin.menu],
                ]
              : [],
          )
        : null}
      <button type="button" className="min-h-8 underline" onClick={empty}>
        {texts.tray.empty}
      </button>
      {doing ? <Many asked={doing} onClose={() => setDoing(null)} /> : null}
      {making ? <NewAssessment questions={tray.ids} onClose={() => setMaking(false)} /> : null}
    </section>
  )
})

/** Which assessment the tray goes to. */
function AddMenu({ atHand, onAdd, onNew }: { atHand: string | undefined; onAdd: (id: string) => void; onNew: () => void }) {
  const all = useQuery(assessmentsQuery).data ?? []
  const others = all.filter((one) => one.may_write && one.id !== atHand).slice(0, 12)
  return (
    <Menu.Root
      align="end"
      button={
        <button type="button" className={button}>
          {atHand ? texts.tray.another : texts.tray.choose}
        </button>
      }
    >
      {others.map((one) => (
        <Menu.Item key={one.id} onSelect={() => onAdd(one.id)}>
          {one.title}
        </Menu.Item>
      ))}
      {others.length > 0 ? <Menu.Line /> : null}
      <Menu.Item onSelect={onNew}>{texts.tray.fresh}</Menu.Item>
    </Menu.Root>
  )
}
