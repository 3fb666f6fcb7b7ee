import { SlidersHorizontal, X } from 'lucide-react'
import { useState } from 'react'
import type { Section } from '@/api/assembly'
import { list } from '@/lib/format'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Instructions } from './Instructions'
import { type SectionChange, SectionSettings } from './settings/SectionSettings'
import { setNames } from './settings/setNames'

type Props = {
  section: Section
  number: number
  mayWrite: boolean
  /** The bank whose rubrics are offered. */
  bank: string
  onChange: (next: SectionChange) => void
  onRemove?: () => void
}

/** The name of a section and what learners are told at its beginning. */
export function SectionHead({ section, number, mayWrite, bank, onChange, onRemove }: Props) {
  const [telling, setTelling] = useState(false)
  const [setting, setSetting] = useState(false)
  const set = sectionWords(section)
  return (
    <header className="border-hairline border-y bg-well px-2 py-1.5">
      <div className="flex items-center gap-2">
        <input
          aria-label={`${texts.assembly.section({ n: number })}: ${texts.assembly.sectionName}`}
          placeholder={texts.assembly.sectionHint}
          value={section.title ?? ''}
          maxLength={500}
          disabled={!mayWrite}
          onChange={(event) => onChange({ title: event.target.value })}
          className="min-w-0 flex-1 rounded-ui border border-transparent bg-transparent px-1.5 py-0.5 font-semibold placeholder:font-normal placeholder:text-quiet hover:border-edge focus:bg-paper"
        />
        {mayWrite && !section.instructions && !telling ? (
          <Button look="quiet" className="!min-h-7 !px-1" onClick={() => setTelling(true)}>
            {texts.assembly.addInstructions}
          </Button>
        ) : null}
        <Button
          look="quiet"
          className={`!min-h-7 !px-1 ${set.length > 0 ? '!text-attention' : ''}`}
          aria-label={texts.assembly.settings.ofSection({ section: section.title || texts.assembly.section({ n: number }) })}
          title={set.length > 0 ? list(set) : texts.assembly.settings.title}
          onClick={() => setSetting(true)}
        >
          <SlidersHorizontal size={16} aria-hidden="true" />
        </Button>
        {mayWrite && onRemove ? (
          <Button
            look="quiet"
            className="!min-h-7 !px-1"
            aria-label={texts.assembly.removeSection}
            title={texts.assembly.removeSection}
            onClick={onRemove}
          >
            <X size={16} aria-hidden="true" />
          </Button>
        ) : null}
      </div>
      {set.length > 0 ? <p className="px-1.5 text-attention text-caption">{list(set)}</p> : null}
      {setting ? (
        <SectionSettings
          section={section}
          title={section.title || texts.assembly.section({ n: number })}
          mayWrite={mayWrite}
          bank={bank}
          onChange={onChange}
          onClose={() => setSetting(false)}
        />
      ) : null}
      {section.instructions || telling ? (
        <Instructions value={section.instructions ?? ''} mayWrite={mayWrite} onChange={(html) => onChange({ instructions: html })} />
      ) : null}
    </header>
  )
}

/** How a section is asked otherwise than usual. */
function sectionWords(section: Section): string[] {
  const words = texts.assembly.settings.said
  return [
    ...(section.shuffle ? [words.order] : []),
    ...(section.time_limit ? [words.time({ n: section.time_limit / 60 })] : []),
    ...(section.weight && section.weight !== '1' ? [words.weight({ times: section.weight })] : []),
    ...(section.new_page ? [words.newPage] : []),
    ...setNames(section.override),
  ]
}
