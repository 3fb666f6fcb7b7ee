import { useQuery } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { assessmentsQuery } from '@/api/assembly'
import type { Bank } from '@/api/schema'
import type { FrameworkRow } from '@/api/standards'
import { texts } from '@/messages'
import { frameworkName } from '@/standards/statementName'
import { control } from '@/ui/Field'
import { Menu } from '@/ui/Menu'
import { type CoverageAddress, layers } from './useCoverageAddress'

const words = texts.coverage
type Props = { at: CoverageAddress; framework: string; banks: Bank[]; frameworks: FrameworkRow[] }

/** What is looked at, by what, and what counts as thin. */
export function Controls({ at, framework, banks, frameworks }: Props) {
  const assessments = useQuery(assessmentsQuery).data ?? []
  const more = at.assessment !== '' || at.beside !== '' || at.through || at.touches
  const choice = (label: string, value: string, onChange: (value: string) => void, options: ReactNode) => (
    <label className="flex items-center gap-1.5 text-caption text-second">
      {label}
      <select className={`${control} max-w-60 !px-1.5`} value={value} onChange={(event) => onChange(event.target.value)}>
        {options}
      </select>
    </label>
  )
  const tree = (value: string) =>
    at.change((next) => {
      next.delete('framework')
      next.delete('topics')
      next.delete('node')
      const [name = '', id = ''] = value.split(' ')
      next.set(name, id)
    })
  const tick = (label: string, on: boolean, name: string, disabled = false) => (
    <label className={`flex min-h-8 items-center gap-1.5 ${disabled ? 'text-quiet' : ''}`}>
      <input type="checkbox" checked={on} disabled={disabled} onChange={(event) => at.set(name, event.target.checked ? '1' : '')} />
      {label}
    </label>
  )
  return (
    <div data-no-print="" className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-1.5">
      {choice(
        words.of,
        at.topics === '' ? `framework ${framework}` : `topics ${at.topics}`,
        tree,
        <>
          <optgroup label={words.frameworks}>
            {frameworks.map((one) => (
              <option key={one.id} value={`framework ${one.id}`}>
                {frameworkName(one)}
              </option>
            ))}
          </optgroup>
          <optgroup label={words.topics}>
            {banks.map((one) => (
              <option key={one.slug} value={`topics ${one.slug}`}>
                {words.topicsOf({ bank: one.name })}
              </option>
            ))}
          </optgroup>
        </>,
      )}
      <Menu.Root
        align="start"
        button={
          <button type="button" className={`${control} text-left`}>
            {at.banks.length === 0
              ? words.allBanks
              : at.banks
                  .map((slug) => banks.find((one) => one.slug === slug)?.name ?? slug)
                  .join(', ')
                  .slice(0, 60)}
          </button>
        }
      >
        <Menu.Item onSelect={() => at.change((next) => next.delete('bank'))}>{words.allBanks}</Menu.Item>
        <Menu.Line />
        {banks.map((one) => (
          <Menu.Item
            key={one.slug}
            onSelect={() =>
              at.change((next) => {
                const had = next.getAll('bank')
                next.delete('bank')
                for (const slug of had.includes(one.slug) ? had.filter((other) => other !== one.slug) : [...had, one.slug])
                  next.append('bank', slug)
              })
            }
          >
            {at.banks.includes(one.slug) ? '✓ ' : ''}
            {one.name}
          </Menu.Item>
        ))}
      </Menu.Root>
      {choice(
        words.layers,
        at.by,
        (value) => at.set('layers', value),
        layers.map((one) => (
          <option key={one} value={one}>
            {words.by[one]}
          </option>
        )),
      )}
      {choice(
        words.thickAs,
        at.unit,
        (value) => at.set('unit', value),
        <>
          <option value="questions">{words.units.questions}</option>
          <option value="points">{words.units.points}</option>
        </>,
      )}
      {choice(
        words.level,
        String(at.levels),
        (value) => at.set('levels', value),
        ['1', '2', '3', '9'].map((one) => (
          <option key={one} value={one}>
            {words.levels[one]}
          </option>
        )),
      )}
      <label className="flex items-center gap-1.5 text-caption text-second">
        {words.thinBelow}
        <input
          type="number"
          min={1}
          max={1000}
          aria-label={words.least}
          className={`${control} w-16`}
          value={at.least}
          onChange={(event) => at.set('least', event.target.value === '1' ? '' : event.target.value)}
        />
      </label>
      {tick(words.approvedOnly, at.approved, 'approved')}
      <details open={more} className="w-full">
        <summary className="inline-block min-h-6 cursor-pointer text-caption text-second">{words.moreChoices}</summary>
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5 pt-1.5">
          {choice(
            words.assessment,
            at.assessment,
            (value) => at.set('assessment', value),
            <>
              <option value="">{words.noAssessment}</option>
              {assessments.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.title}
                </option>
              ))}
            </>,
          )}
          {at.topics === '' ? tick(words.through, at.through, 'through') : null}
          {at.topics === '' ? tick(words.touches, at.touches, 'touches', at.through) : null}
          {choice(
            words.compare,
            at.beside,
            (value) => at.set('beside', value),
            <>
              <option value="">{words.compareNone}</option>
              {banks.map((one) => (
                <option key={one.slug} value={one.slug}>
                  {one.name}
                </option>
              ))}
            </>,
          )}
        </div>
      </details>
    </div>
  )
}
