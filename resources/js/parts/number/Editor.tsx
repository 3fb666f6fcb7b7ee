import { texts } from '@/messages'
import type { EditorProps } from '../definePart'
import { NumberRule } from '../NumberRule'
import type { NumberOn } from '../numberOn'
import { SettingNumber } from '../PartCard'
import { RuleList } from '../RuleList'

const notations = Object.keys(texts.parts.notations)

export function Editor(props: EditorProps) {
  const settings = (props.part.settings ?? {}) as { width?: number; notations?: string[] }
  const set = (changed: Record<string, unknown>) => props.onChange({ ...props.part, settings: { ...settings, ...changed } }, '')
  const accepted = settings.notations ?? notations
  return (
    <RuleList<NumberOn>
      {...props}
      title={texts.parts.typesNumber}
      summary={accepted.length === notations.length ? '' : accepted.map((one) => texts.parts.notations[one]).join(', ')}
      settings={
        <>
          <fieldset className="flex flex-wrap gap-x-4 gap-y-1">
            <legend className="float-left mr-3">{texts.parts.mayBeTyped}</legend>
            {notations.map((name) => (
              <label key={name} className="flex items-center gap-1.5">
                <input
                  type="checkbox"
                  checked={accepted.includes(name)}
                  onChange={(event) =>
                    set({
                      notations: event.target.checked
                        ? notations.filter((one) => one === name || accepted.includes(one))
                        : accepted.filter((one) => one !== name),
                    })
                  }
                />
                {texts.parts.notations[name]}
              </label>
            ))}
          </fieldset>
          <SettingNumber
            label={texts.parts.width}
            value={settings.width ?? 8}
            min={1}
            max={200}
            onChange={(width) => set({ width: width ?? 8 })}
          />
        </>
      }
      fresh={{ answer: 'value', value: '' }}
      sentence={(on, set, label) => <NumberRule on={on} set={set} label={label} />}
    />
  )
}
