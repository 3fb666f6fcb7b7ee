import { useEffect, useState } from 'react'
import { begin, type SaveState } from './machine'
import { type Doing, Runner } from './runner'

/**
 * Saves the content on a page by the machine's rules. Content is compared by identity, so pass the value of a history and not a
 * new object each time.
 */
export function useSaveMachine<Content>(
  content: Content,
  first: { subject: string; revision: number; dirty: boolean },
  doing: Doing<Content>,
) {
  const [state, setState] = useState<SaveState<Content>>(() => begin(first.subject, content, first.revision, first.dirty))
  const [runner] = useState(() => new Runner(state, doing, setState))
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
