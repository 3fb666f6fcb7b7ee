import { X } from 'lucide-react'
import { useState } from 'react'
import type { Section } from '@/api/assembly'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Instructions } from './Instructions'

type Props = {
  section: Section
  number: number
  mayWrite: boolean
  onChange: (next: Pick<Section, 'title' | 'instructions'>) => void
  onRemove?: () => void
}

/** The name of a section and what learners are told at its beginning. */
export function SectionHead({ section, number, mayWrite, onChange, onRemove }: Props) {
  const [telling, setTelling] = useState(false)
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
      {section.instructions || telling ? (
        <Instructions value={section.instructions ?? ''} mayWrite={mayWrite} onChange={(html) => onChange({ instructions: html })} />
      ) : null}
    </header>
  )
}
