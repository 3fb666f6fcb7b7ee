import { useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { useCallback, useMemo, useState } from 'react'
import { countQuery, facetsQuery, questionsQuery } from '@/api/queries'
import { REST, useDebouncedValue } from '@/lib/useDebouncedValue'
import { useWide } from '@/lib/useWide'
import { texts } from '@/messages'
import { useAtHand } from '@/shell/tray/useAtHand'
import { useTraySelection } from '@/shell/tray/useTraySelection'
import { type ScreenCommand, single } from '@/ui/commands'
import type { Filter } from './useFilter'

/** Looking through the questions that meet a filter, of a bank or ('') of all one may read: the list, what is picked, what is read. */
export function useBrowsing(slug: string, filter: Filter) {
  const pages = useInfiniteQuery(questionsQuery(slug, filter.query, true))
  const rows = useMemo(() => pages.data?.pages.flatMap((page) => page.data) ?? [], [pages.data])
  const meta = pages.data?.pages[0]?.meta
  const isUncounted = meta !== undefined && !pages.isPlaceholderData && (meta.found === null || meta.of === null)
  const isResting = useDebouncedValue(filter.query, REST) === filter.query
  const counted = useQuery({ ...countQuery(slug, filter.query), enabled: isUncounted && isResting })
  const found = meta?.found ?? counted.data?.found
  const of = meta?.of ?? counted.data?.of
  const selection = useTraySelection(rows, filter.query)
  const { taken } = useAtHand()
  const empty = useQuery({ ...facetsQuery(slug, filter.query, []), enabled: meta?.found === 0 && filter.any })
  const { setQuestion } = filter
  const onBack = useCallback(() => setQuestion(null), [setQuestion])
  const [narrowing, setNarrowing] = useState(false)
  const wide = useWide(1024)
  const narrow = !useWide(768)
  // With room for it, the first question is read until another is picked.
  const first = rows[0]?.id
  const active = filter.question ?? (narrow ? undefined : first)
  // The list comes first; and while one types, lists come and go, and the first question of each is not worth reading.
  const rested = useDebouncedValue(first, REST)
  const read = filter.question ?? (narrow ? undefined : rested)
  const here = texts.frame.groups.here
  const commands: ScreenCommand[] = [
    ...(active
      ? [
          {
            id: 'tray',
            group: here,
            title: selection.ids.includes(active) ? texts.tray.out : texts.tray.put,
            keys: 't',
            single: true,
            on: single('t'),
            run: () => selection.toggle(active),
          },
        ]
      : []),
    ...(filter.any ? [{ id: 'clear', group: here, title: texts.bank.clearAll, run: filter.clear }] : []),
  ]
  return {
    commands,
    found,
    rows,
    selection,
    active,
    read,
    picked: Boolean(filter.question),
    wide,
    narrowing,
    setNarrowing,
    /** For the list. */
    list: {
      filter,
      pages,
      rows,
      found,
      of,
      active,
      selection,
      taken,
      ...(wide ? {} : { onNarrow: () => setNarrowing(true) }),
      without: empty.data?.without ?? {},
      meant: empty.data?.meant ?? null,
    },
    /** For what is read. */
    reading: { onBack },
  }
}
