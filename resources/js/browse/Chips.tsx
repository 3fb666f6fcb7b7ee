import { useQuery } from '@tanstack/react-query'
import { everybody } from '@/api/actions'
import { mediumQuery } from '@/api/media'
import { banksQuery, type Trees } from '@/api/queries'
import { frameworksQuery, statementQuery } from '@/api/standards'
import { stimulusQuery } from '@/api/stimuli'
import { range } from '@/lib/phrases/banks'
import { texts } from '@/messages'
import { kindNames } from '@/parts/words'
import { frameworkName, statementName } from '@/standards/statementName'
import { Button } from '@/ui/Button'
import { Chip } from '@/ui/Chip'
import { type Dimension, dimensions, ranges } from './filterQuery'
import type { Filter } from './useFilter'

/** What a condition is called. */
export function conditionName(name: Dimension, value: string, trees: Trees | undefined): string {
  if (name === 'kind') return kindNames[value] ?? value
  if (name === 'status') return texts.status[value] ?? value
  if (name === 'difficulty') return texts.bank.difficulty({ n: Number(value) })
  if (name === 'no') return texts.bank.no[value] ?? value
  if (name === 'is') return texts.bank.is[value] ?? value
  if (name === 'has') return texts.bank.has[value] ?? value
  if (name === 'marks') return texts.bank.marks[value] ?? value
  if (name === 'topic') return trees?.topics.find((one) => one.id === value)?.name ?? '…'
  if (name === 'place') return `${texts.bank.dimensions.place} ${trees?.folders.find((one) => one.id === value)?.name ?? '…'}`
  if (name === 'folder') return trees?.folders.find((one) => one.id === value)?.name ?? '…'
  if (name === 'unmatched') return `${value} (${texts.standards.unmatched})`
  return value
}

/** Every active condition, each with its way out. */
export function Chips({ filter, slug, trees }: { filter: Filter; slug: string; trees: Trees | undefined }) {
  if (!filter.any) return null
  const chip = (name: Dimension, value: string, out: boolean) => {
    const props = { name, value, out, trees, onRemove: () => (out ? filter.leaveOut(name, value) : filter.toggle(name, value)) }
    const key = `${out ? 'not ' : ''}${name} ${value}`
    if (name === 'stimulus') return <StimulusChip key={key} {...props} />
    if (name === 'medium') return <MediumChip key={key} slug={slug} {...props} />
    if (name === 'by') return <PersonChip key={key} {...props} say={(name) => texts.bank.madeBy({ name })} />
    if (name === 'editor') return <PersonChip key={key} {...props} say={(name) => texts.bank.changedBy({ name })} />
    if (name === 'standard' || name === 'assesses' || name === 'covers') return <StandardChip key={key} {...props} name={name} />
    if (name === 'framework') return <FrameworkChip key={key} {...props} />
    if (name === 'bank') return <BankChip key={key} {...props} />
    return <Condition key={key} {...props} title={conditionName(name, value, trees)} />
  }
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      {dimensions.flatMap((name) => [
        ...filter.values(name).map((value) => chip(name, value, false)),
        ...filter.left(name).map((value) => chip(name, value, true)),
      ])}
      {ranges.map((name) => {
        const [from, to] = filter.range(name)
        if (from === '' && to === '') return null
        const title = range(texts.bank.dimensions[name] ?? name, from, to)
        return (
          <Chip key={name} onRemove={() => filter.setRange(name, '', '')} removeName={texts.bank.drop({ what: title })}>
            {title}
          </Chip>
        )
      })}
      {filter.words ? (
        <Chip onRemove={() => filter.setWords('')} removeName={texts.bank.drop({ what: texts.bank.dimensions.words ?? '' })}>
          {texts.bank.dimensions.words}: {filter.words.length > 60 ? `${filter.words.slice(0, 60)}…` : filter.words}
        </Chip>
      ) : null}
      <Button look="quiet" className="!px-1" onClick={filter.clear}>
        {texts.bank.clearAll}
      </Button>
    </div>
  )
}

type ConditionProps = { value: string; out: boolean; onRemove: () => void }

function MediumChip({ slug, ...chip }: ConditionProps & { slug: string }) {
  const medium = useQuery({ ...mediumQuery(slug, chip.value), enabled: slug !== '' }).data
  return <Condition {...chip} title={texts.bank.showsMedium({ name: medium?.name ?? chip.value })} />
}

function Condition({ title, out, onRemove }: ConditionProps & { title: string }) {
  const said = out ? texts.bank.not({ what: title }) : title
  return (
    <Chip onRemove={onRemove} removeName={texts.bank.drop({ what: said })}>
      {said}
    </Chip>
  )
}

function StimulusChip(props: ConditionProps) {
  const whole = useQuery(stimulusQuery(props.value))
  return <Condition {...props} title={texts.bank.ofStimulus({ title: whole.data?.name ?? '…' })} />
}

function PersonChip({ say, ...props }: ConditionProps & { say: (name: string) => string }) {
  const people = useQuery({ queryKey: ['people'], queryFn: everybody, staleTime: 60_000 })
  const name = people.data?.people.find((one) => one.id === props.value)?.name ?? '…'
  return <Condition {...props} title={say(name)} />
}

function StandardChip({ name, ...props }: ConditionProps & { name: 'standard' | 'assesses' | 'covers' }) {
  const statement = useQuery(statementQuery(props.value)).data
  const title = statement ? statementName(statement) : '…'
  return <Condition {...props} title={name === 'standard' ? title : texts.standards.that[name]({ statement: title })} />
}

function FrameworkChip(props: ConditionProps) {
  const framework = useQuery(frameworksQuery).data?.data.find((one) => one.id === props.value)
  return <Condition {...props} title={texts.standards.inFramework({ framework: framework ? frameworkName(framework) : '…' })} />
}

function BankChip(props: ConditionProps) {
  const banks = useQuery(banksQuery)
  return <Condition {...props} title={banks.data?.find((one) => one.slug === props.value)?.name ?? props.value} />
}
