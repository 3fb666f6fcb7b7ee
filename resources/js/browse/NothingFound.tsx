import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import type { Filter } from './useFilter'

type Props = { filter: Filter; without: Record<string, number>; meant: { words: string; count: number } | null }

/** What may have been meant; which condition to drop, and what either would give. */
export function NothingFound({ filter, without, meant }: Props) {
  const ways = Object.entries(without).filter(([, count]) => count > 0)
  return (
    <div className="flex flex-col items-start gap-3 p-6">
      <p className="text-head font-semibold">{texts.bank.nothing}</p>
      {meant ? (
        <Button look="primary" onClick={() => filter.setWords(meant.words)}>
          {texts.bank.meant({ words: meant.words, n: meant.count })}
        </Button>
      ) : null}
      {ways.map(([name, count]) => (
        <Button key={name} onClick={() => filter.drop(name)}>
          {texts.bank.without({ what: called(name), n: count })}
        </Button>
      ))}
      <Button look="quiet" onClick={filter.clear}>
        {texts.bank.clearAll}
      </Button>
    </div>
  )
}

/** A condition by its name in the address, in words. */
function called(name: string): string {
  const of = texts.bank.dimensions[name.replace(/^not-/, '')]?.toLowerCase() ?? name
  return name.startsWith('not-') ? texts.bank.not({ what: of }) : of
}
