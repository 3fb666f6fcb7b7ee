import { flushSync } from 'react-dom'
import { optionLines } from '@/api/actions'

const underWay = new Set<Promise<void>>()

/** Pasted lines, cleaned by the core, to be made rows of; as they are where it cannot be asked, so that nothing pasted is lost. */
export function pasteLines(text: string, take: (lines: string[], pairs: [string, string][] | null) => void): true {
  const done = optionLines(text)
    .catch(() => ({
      lines: text
        .split(/\r?\n/)
        .map((line) => line.trim())
        .filter((line) => line !== ''),
      pairs: null,
    }))
    // at once, so that what is saved the moment after has them
    .then(({ lines, pairs }) => flushSync(() => take(lines, pairs)))
    .finally(() => underWay.delete(done))
  underWay.add(done)
  return true
}

/** When everything pasted stands in its rows. */
export const pastedIn = () => Promise.allSettled(underWay)
