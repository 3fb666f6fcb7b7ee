import { texts } from '@/messages'
import type { EditorProps } from '../definePart'
import { NumberRule } from '../NumberRule'
import type { NumberOn } from '../numberOn'
import { SettingNumber } from '../PartCard'
import { RuleList } from '../RuleList'
import { FigureSettings, type Figures } from './FigureSettings'
import { UnitSettings } from './UnitSettings'
import type { Units } from './units'

const notations = Object.keys(texts.parts.notations)

export function Editor(props: EditorProps) {
  const settings = (props.part.settings ?? {}) as { width?: number; notations?: string[]; units?: Units; figures?: Figures }
  const set = (changed: Record<string, unknown>) => props.onChange({ ...props.part, settings: { ...settings, ...changed } }, '')
  const accepted = settings.notations ?? notations
  /** A setting, or none of it. */
  const put = (name: 'units' | 'figures', value: unknown) => {
    const { [name]: _, ...rest } = settings
    props.onChange({ ...props.part, settings: value === undefined ? rest : { ...rest, [name]: value } }, name)
  }
  const summary = [
    accepted.length === notations.length ? '' : accepted.map((one) => texts.parts.notations[one]).join(', '),
    settings.units ? `${texts.parts.units.summary} (${settings.units.unit ?? '?'})` : '',
    settings.figures ? texts.parts.figures.summary({ n: settings.figures.digits }) : '',
  ]
  return (
    <RuleList<NumberOn>
      {...props}
      title={texts.parts.typesNumber}
      summary={summary.filter((one) => one !== '').join(', ')}
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
          <UnitSettings
            units={settings.units}
            problem={(path) => props.problem(`/settings/units${path}`)}
            onChange={(units) => put('units', units)}
          />
          <FigureSettings figures={settings.figures} onChange={(figures) => put('figures', figures)} />
        </>
      }
      fresh={{ answer: 'value', value: '' }}
      sentence={(on, set, label) => <NumberRule on={on} set={set} label={label} />}
    />
  )
}
