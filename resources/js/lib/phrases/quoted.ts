import { list } from '@/lib/format'
import { texts } from '@/messages'

export const quoted = (words: string): string => texts.common.quoted({ words })
export const quotedList = (titles: readonly string[], most: number): string => {
  const some = list(titles.slice(0, most).map(quoted))
  return titles.length > most ? texts.common.andMore({ list: some }) : some
}
