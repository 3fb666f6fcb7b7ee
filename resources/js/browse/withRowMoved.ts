import type { InfiniteData } from '@tanstack/react-query'
import type { Page } from '@/api/queries'

/**
 * The pages of a list with one row moved before another, or to the end of what is loaded. Pages keep their lengths: a page's cursor
 * says how far its rows reach.
 */
export function withRowMoved(list: InfiniteData<Page, string>, id: string, before: string | null): InfiniteData<Page, string> {
  const all = list.pages.flatMap((page) => page.data)
  const row = all.find((one) => one.id === id)
  if (!row || id === before) return list
  const others = all.filter((one) => one !== row)
  const at = before === null ? others.length : others.findIndex((one) => one.id === before)
  if (at < 0) return list
  others.splice(at, 0, row)
  let from = 0
  const pages = list.pages.map((page) => {
    const data = others.slice(from, from + page.data.length)
    from += page.data.length
    return { ...page, data }
  })
  return { ...list, pages }
}
