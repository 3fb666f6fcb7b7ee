import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Facets } from '@/api/queries'
import { frameworkQuery, frameworksQuery } from '@/api/standards'
import { storedText, storeText } from '@/lib/storage'
import { texts } from '@/messages'
import { MatchDialog } from '@/standards/MatchDialog'
import { frameworkName, sharedPrefix, statementName } from '@/standards/statementName'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import { Tick } from '@/ui/Tick'
import type { TreeItem } from '@/ui/tree/items'
import { Tree } from '@/ui/tree/Tree'
import type { Filter } from './useFilter'

type Props = { slug: string; filter: Filter; facets: Facets['facets']; mayWrite: boolean }

/** The statements of one framework as a tree with counts, those without, and codes that belong to no statement here. */
export function StandardsTab({ slug, filter, facets, mayWrite }: Props) {
  const frameworks = useQuery(frameworksQuery).data?.data ?? []
  const [kept, setKept] = useState(() => storedText('framework') ?? '')
  const chosen = frameworks.find((one) => one.id === kept) ?? frameworks[0]
  const tree = useQuery(frameworkQuery(chosen?.id ?? ''))
  const [typed, setTyped] = useState('')
  const [all, setAll] = useState(false)
  const [matching, setMatching] = useState<string | null>(null)
  const counts = new Map((facets.standard ?? []).map((one) => [one.value, one.count]))
  const statements = tree.data?.statements ?? []
  const looked = typed.trim().toLowerCase().split(/\s+/).filter(Boolean)
  const parents = new Map(statements.map((one) => [one.id, one.parent_id]))
  const shownIds = new Set<string>()
  for (const one of statements) {
    const text = `${one.code} ${one.title} ${one.text}`.toLowerCase()
    const wanted = looked.length > 0 ? looked.every((word) => text.includes(word)) : all || counts.has(one.id)
    if (!wanted && !filter.values('standard').includes(one.id)) continue
    for (let id: string | null = one.id; id !== null; id = parents.get(id) ?? null) shownIds.add(id)
  }
  const prefix = sharedPrefix(statements.map((one) => one.code))
  const items: TreeItem[] = statements
    .filter((one) => shownIds.has(one.id))
    .map((one) => ({
      id: one.id,
      parent: one.parent_id,
      name: `${statementName({ ...one, code: one.code.slice(prefix.length) })}${one.retired ? ` (${texts.standards.retired})` : ''}`,
      ...(facets.standard ? { count: counts.get(one.id) ?? 0 } : {}),
    }))
  if (frameworks.length === 0)
    return (
      <p className="px-4 py-3 text-quiet">
        {texts.standards.noFrameworks}{' '}
        <Link className="text-accent underline" to="/frameworks">
          {texts.standards.title}
        </Link>
      </p>
    )
  const others = statements.length - items.length
  const without = filter.left('framework').includes(chosen?.id ?? '')
  return (
    <div className="py-2">
      <div className="flex flex-col gap-2 px-3 pb-2">
        <select
          aria-label={texts.standards.framework}
          className={`${control} w-full`}
          value={chosen?.id ?? ''}
          onChange={(event) => {
            storeText('framework', event.target.value)
            setKept(event.target.value)
          }}
        >
          {frameworks.map((one) => (
            <option key={one.id} value={one.id}>
              {frameworkName(one)}
            </option>
          ))}
        </select>
        <input
          type="search"
          aria-label={texts.standards.findIn}
          placeholder={texts.standards.findIn}
          className={`${control} w-full`}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </div>
      <Tree
        name={`${slug} standard ${chosen?.id}`}
        label={texts.standards.title}
        items={items}
        ticked={filter.values('standard')}
        onTick={(id) => filter.toggle('standard', id)}
      />
      {looked.length > 0 && items.length === 0 ? <p className="px-4 py-2 text-quiet">{texts.standards.noneFound}</p> : null}
      {looked.length === 0 && (others > 0 || all) ? (
        <Button look="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? texts.standards.usedOnly : texts.standards.all({ n: others })}
        </Button>
      ) : null}
      <button
        type="button"
        aria-pressed={without}
        className="flex min-h-7 w-full items-center gap-2 px-4 text-left hover:bg-paper"
        onClick={() => filter.leaveOut('framework', chosen?.id ?? '')}
      >
        <Tick on={without} /> {texts.standards.noneOf({ framework: chosen ? frameworkName(chosen) : '' })}
      </button>
      {(facets.unmatched ?? []).length > 0 ? (
        <section className="mx-3 my-3 rounded-ui bg-attention-tint px-3 py-2 text-attention" aria-label={texts.standards.unmatchedCodes}>
          <h3 className="font-semibold">{texts.standards.unmatchedCodes}</h3>
          <ul>
            {facets.unmatched?.map((one) => (
              <li key={one.value} className="flex items-center gap-2">
                <button
                  type="button"
                  aria-pressed={filter.values('unmatched').includes(one.value)}
                  className="min-h-6 min-w-0 flex-1 truncate text-left underline"
                  title={one.name}
                  onClick={() => filter.toggle('unmatched', one.value)}
                >
                  <span className="font-mono">{one.value}</span> <span>{one.count}</span>
                </button>
                {mayWrite ? (
                  <button
                    type="button"
                    className="min-h-6 underline"
                    aria-label={texts.standards.matchCode({ code: one.value })}
                    onClick={() => setMatching(one.value)}
                  >
                    {texts.standards.match}
                  </button>
                ) : null}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      {mayWrite ? (
        <p>
          <Link
            className="inline-block min-h-8 px-3 py-1.5 font-semibold text-accent hover:underline"
            to={`/banks/${slug}/tagging?tree=${chosen?.id ?? ''}`}
          >
            {texts.tagging.go}
          </Link>
          <Link
            className="inline-block min-h-8 px-3 py-1.5 font-semibold text-accent hover:underline"
            to={`/coverage?framework=${chosen?.id ?? ''}&bank=${slug}`}
          >
            {texts.frame.coverage}
          </Link>
        </p>
      ) : null}
      {matching !== null ? (
        <MatchDialog
          slug={slug}
          code={matching}
          framework={facets.unmatched?.find((one) => one.value === matching)?.name ?? ''}
          onClose={() => setMatching(null)}
        />
      ) : null}
    </div>
  )
}
