import type { EntryOverride } from '@/api/assembly'
import { texts } from '@/messages'

const words = texts.assembly.settings

/** What is set, each as a few words. */
export function setNames(override: EntryOverride | null | undefined): string[] {
  if (!override) return []
  const { attempts, feedback, minutes, shuffle, tools, rubric } = override
  return [
    ...(attempts
      ? [attempts.allowed === null || attempts.allowed === undefined ? words.said.anyTimes : words.said.times({ n: attempts.allowed })]
      : []),
    ...(feedback ? [words.said.feedback({ when: words.timings[feedback] ?? feedback })] : []),
    ...(minutes === undefined || minutes === null ? [] : [words.said.minutes({ n: minutes })]),
    ...(shuffle === undefined || shuffle === null ? [] : [shuffle ? words.said.shuffled : words.said.asWritten]),
    ...(tools ? [words.said.tools] : []),
    ...(rubric ? [words.said.rubric] : []),
  ]
}
