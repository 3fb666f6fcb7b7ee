import { texts } from '@/messages'
import { Gap } from '@/ui/Sentence'
import type { EditorProps } from '../definePart'
import { NormaliseSettings, normaliseWords } from '../NormaliseSettings'
import { SettingNumber } from '../PartCard'
import { RuleList } from '../RuleList'
import { TextRule, type TypedOn } from '../TextRule'

export function Editor(props: EditorProps) {
  const settings = (props.part.settings ?? {}) as {
    width?: number
    lines?: number
    placeholder?: string
    normalise?: Record<string, string>
  }
  const set = (changed: Record<string, unknown>, place = '') =>
    props.onChange({ ...props.part, settings: { ...settings, ...changed } }, place)
  const normalise = settings.normalise ?? {}
  return (
    <RuleList<TypedOn>
      {...props}
      title={texts.parts.types}
      summary={normaliseWords(normalise)}
      settings={
        <>
          <NormaliseSettings value={normalise} onChange={(next) => set({ normalise: next })} />
          <SettingNumber
            label={texts.parts.width}
            value={settings.width ?? 14}
            min={1}
            max={200}
            onChange={(width) => set({ width: width ?? 14 })}
          />
          <span className="flex items-center gap-2">
            {texts.parts.placeholder}
            <Gap
              aria-label={texts.parts.placeholder}
              value={settings.placeholder ?? ''}
              onChange={(event) => set({ placeholder: event.target.value }, 'placeholder')}
            />
          </span>
        </>
      }
      fresh={{ answer: 'is', text: [] }}
      sentence={(on, set, label) => <TextRule on={on} set={set} label={label} />}
    />
  )
}
