import { list } from '@/lib/format'
import { texts } from '@/messages'
import { quoted } from './quoted'

export const changesEverywhere = (titles: readonly string[], others: number): string =>
  texts.assembly.editBankAbout({
    titles: list([...titles.map(quoted), others > 0 ? texts.assembly.othersHidden({ n: others }) : '']),
  })

/** The numbers of the questions a stimulus stands before. */
export function forQuestions(title: string, from: number, to: number): string {
  if (from === to) return texts.stimuli.forOne({ title, n: from })
  return to === from + 1 ? texts.stimuli.forTwo({ title, from, to }) : texts.stimuli.forQuestions({ title, from, to })
}
