import { useInfiniteQuery } from '@tanstack/react-query'
import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useMemo, useRef } from 'react'
import { documentQuery, type Stretch } from '@/api/documents'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { single, useCommands } from '@/ui/commands'
import { Nothing, Waiting } from '@/ui/Message'
import { DocumentTools } from './DocumentTools'
import { surenessOf } from './phrases'
import { StretchRow } from './StretchRow'
import { Unused } from './Unused'
import { useCorrections } from './useCorrections'

const words = texts.document
const keyOf = (stretch: Stretch, at: number) => `${stretch.lines[0]?.number ?? at}`

/** The document as it was typed beside the questions as they were understood, in one scroll, so that what belongs together stands together. */
export function DocumentReview({ intake, file }: { intake: string; file: string }) {
  const pages = useInfiniteQuery(documentQuery(intake, file))
  const first = pages.data?.pages[0]
  const stretches = useMemo(() => pages.data?.pages.flatMap((page) => page.stretches) ?? [], [pages.data])
  const questions = useMemo(() => Object.assign({}, ...(pages.data?.pages.map((page) => page.questions) ?? [])), [pages.data])
  const correct = useCorrections(intake, file, first?.corrections ?? {})
  const box = useRef<HTMLDivElement>(null)
  const virtual = useVirtualizer({
    count: stretches.length,
    getScrollElement: () => box.current,
    estimateSize: () => 180,
    overscan: 6,
    getItemKey: (at) => (stretches[at] ? keyOf(stretches[at], at) : at),
  })
  const items = virtual.getVirtualItems()
  const last = items.at(-1)?.index ?? 0
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked for when the last drawn row nears the end
  useEffect(() => {
    if (pages.hasNextPage && !pages.isFetchingNextPage && last >= stretches.length - 10) pages.fetchNextPage()
  }, [last, stretches.length, pages.hasNextPage])
  const show = (line: number) => {
    const at = stretches.findIndex((one) => one.lines.some((some) => some.number === line))
    if (at >= 0) virtual.scrollToIndex(at, { align: 'start' })
    else if (pages.hasNextPage) pages.fetchNextPage()
  }
  const next = () => {
    const from = items.find((item) => item.start >= (box.current?.scrollTop ?? 0))?.index ?? 0
    const isOpen = (one: Stretch) => one.id !== null && questions[one.id] && surenessOf(questions[one.id].certainty) !== 'sure'
    const after = stretches.findIndex((one, at) => at > from && isOpen(one))
    const at = after >= 0 ? after : stretches.findIndex(isOpen)
    if (at >= 0) virtual.scrollToIndex(at, { align: 'start' })
  }
  useCommands('document', [
    { id: 'next', group: texts.frame.groups.here, title: words.next, keys: 'n', single: true, on: single('n'), run: next },
  ])
  if (pages.isPending) return <Waiting text={words.loading} />
  if (!first) return <Nothing title={pages.error?.message ?? ''} />
  const media = (id: string) => `/api/v1/intakes/${intake}/media/${id}`
  const order = new Map(stretches.filter((one) => one.is === 'question').map((one, at) => [one.id, at]))
  return (
    <div className="flex h-full flex-col" aria-busy={correct.isPending}>
      <Unused unused={first.unused} media={media} correct={correct} onShow={show} />
      <DocumentTools looks={first.looks} corrections={first.corrections} correct={correct} />
      <div className="grid flex-none grid-cols-2 items-center gap-4 border-hairline border-b px-4 py-1 text-caption text-second max-md:hidden">
        <span className="pl-10">{words.left}</span>
        <span className="flex items-center justify-between">
          {words.right}
          {correct.isPending ? <span role="status">{words.correcting}</span> : null}
          <Button look="quiet" onClick={next}>
            {words.next}
          </Button>
        </span>
      </div>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls can be reached by keyboard */}
      <section ref={box} aria-label={words.label} tabIndex={0} className="-outline-offset-2 min-h-0 flex-1 overflow-y-auto">
        <div className="relative" style={{ height: virtual.getTotalSize() }}>
          {items.map((item) => {
            const stretch = stretches[item.index]
            if (!stretch) return null
            return (
              <div
                key={item.key}
                ref={virtual.measureElement}
                data-index={item.index}
                className="absolute inset-x-0 top-0"
                style={{ transform: `translateY(${item.start}px)` }}
              >
                <StretchRow
                  intake={intake}
                  stretch={stretch}
                  question={stretch.id === null ? undefined : questions[stretch.id]}
                  index={order.get(stretch.id) ?? 0}
                  canJoin={(order.get(stretch.id) ?? 0) > 0}
                  corrections={first.corrections}
                  correct={correct}
                />
              </div>
            )
          })}
        </div>
      </section>
    </div>
  )
}
