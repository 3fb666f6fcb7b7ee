import { useQuery } from '@tanstack/react-query'
import type { Trees } from '@/api/queries'
import { stimulusQuery } from '@/api/stimuli'
import { Button } from '@/components/Button'
import { Chip } from '@/components/Chip'
import { texts } from '@/texts'
import { type Dimension, dimensions, type Filter } from './useFilter'

/** What a condition is called. */
export function conditionName(name: Dimension, value: string, trees: Trees | undefined): string {
  if (name === 'kind') return texts.kinds[value] ?? value
  if (name === 'status') return texts.status[value] ?? value
  if (name === 'difficulty') return texts.bank.difficulty(Number(value))
  if (name === 'no') return texts.bank.no[value] ?? value
  if (name === 'is') return texts.bank.is[value] ?? value
  if (name === 'topic') return trees?.topics.find((one) => one.id === value)?.name ?? '…'
  if (name === 'folder') return trees?.folders.find((one) => one.id === value)?.name ?? '…'
  return value
}

/** Every active condition, each with its way out. */
export function Chips({ filter, trees }: { filter: Filter; trees: Trees | undefined }) {
  if (!filter.any) return null
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      {dimensions.flatMap((name) =>
        filter.values(name).map((value) => {
          if (name === 'stimulus') return <StimulusChip key={`${name} ${value}`} id={value} onRemove={() => filter.toggle(name, value)} />
          const title = conditionName(name, value, trees)
          return (
            <Chip key={`${name} ${value}`} onRemove={() => filter.toggle(name, value)} removeName={texts.bank.drop(title)}>
              {title}
            </Chip>
          )
        }),
      )}
      {filter.words ? (
        <Chip onRemove={() => filter.setWords('')} removeName={texts.bank.drop(texts.bank.dimensions.words ?? '')}>
          {texts.bank.dimensions.words}: {filter.words.length > 60 ? `${filter.words.slice(0, 60)}…` : filter.words}
        </Chip>
      ) : null}
      <Button look="quiet" className="!px-1" onClick={filter.clear}>
        {texts.bank.clearAll}
      </Button>
    </div>
  )
}

function StimulusChip({ id, onRemove }: { id: string; onRemove: () => void }) {
  const whole = useQuery(stimulusQuery(id))
  const title = texts.stimuli.filterName(whole.data?.name ?? '…')
  return (
    <Chip onRemove={onRemove} removeName={texts.bank.drop(title)}>
      {title}
    </Chip>
  )
}
