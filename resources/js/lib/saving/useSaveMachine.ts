import { useEffect, useState } from 'react'
import { begin, type SaveState } from './machine'
import { type Doing, Runner } from './runner'

/** What a page can show of a save. */
export type SaveShown = Omit<SaveState<unknown>, 'content' | 'settled'>

const shownOf = ({ content: _, settled: __, ...shown }: SaveState<unknown>): SaveShown => shown

const isSame = (one: SaveShown, other: SaveShown) => (Object.keys(one) as (keyof SaveShown)[]).every((name) => one[name] === other[name])

/**
 * Saves the content on a page by the machine's rules. Content is compared by identity, so pass the value of a history and not a
 * new object each time. The page is only rendered again when something it can show has changed, not for each letter.
 */
export function useSaveMachine<Content>(
  content: Content,
  first: { subject: string; revision: number; dirty: boolean },
  doing: Doing<Content>,
) {
  const [start] = useState(() => begin(first.subject, content, first.revision, first.dirty))
  const [state, setState] = useState(() => shownOf(start))
  const [runner] = useState(
    () =>
      new Runner(start, doing, (next) => {
        const shown = shownOf(next)
        setState((now) => (isSame(now, shown) ? now : shown))
      }),
  )
  useEffect(() => {
    runner.doing = doing
  })
  useEffect(() => runner.happen({ type: 'changed', content }), [content, runner])
  useEffect(() => {
    const leave = () => runner.happen({ type: 'left' })
    addEventListener('pagehide', leave)
    return () => {
      removeEventListener('pagehide', leave)
      leave() // left for another page in the middle of a word
      runner.stopWaiting()
    }
  }, [runner])
  return { state, runner }
}
