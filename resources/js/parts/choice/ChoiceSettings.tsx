import { texts } from '@/messages'
import { SettingChoice, SettingNumber } from '../PartCard'
import type { Settings } from './optionKey'

type Props = {
  settings: Settings
  scheme: string
  set: (changed: Partial<Settings>) => void
  setScheme: (scheme: string, changed?: Partial<Settings>) => void
}

/** How many may be chosen, how several right ones count, how the options are shown. */
export function ChoiceSettings({ settings, scheme, set, setScheme }: Props) {
  const several = settings.max !== 1
  return (
    <>
      <SettingChoice
        label={texts.parts.mayChoose}
        value={several ? 'several' : 'one'}
        options={[
          ['one', texts.parts.oneOption],
          ['several', texts.parts.severalOptions],
        ]}
        onChange={(value) => setScheme(value === 'several' ? 'each' : 'weights', { max: value === 'several' ? null : 1, min: 0 })}
      />
      {several ? (
        <>
          <SettingNumber label={texts.parts.atLeast} value={settings.min} min={0} max={500} onChange={(min) => set({ min: min ?? 0 })} />
          <SettingNumber
            label={texts.parts.atMost}
            value={settings.max}
            min={2}
            max={500}
            empty={texts.parts.all}
            onChange={(max) => set({ max })}
          />
          <SettingChoice
            label={texts.parts.scheme}
            value={scheme}
            options={Object.entries(texts.parts.schemes)}
            onChange={(value) => setScheme(value)}
          />
          <p className="w-full text-caption text-quiet">{texts.parts.schemeFormulas[scheme]}</p>
        </>
      ) : null}
      <SettingChoice
        label={texts.parts.layout}
        value={settings.layout}
        options={Object.entries(texts.parts.layouts)}
        onChange={(layout) => set({ layout })}
      />
      <SettingChoice
        label={texts.parts.labeling}
        value={settings.labels}
        options={Object.entries(texts.parts.labelings)}
        onChange={(labels) => set({ labels })}
      />
      <label className="flex items-center gap-2">
        <input type="checkbox" checked={settings.shuffle} onChange={(event) => set({ shuffle: event.target.checked })} />
        {texts.parts.shuffle}
      </label>
    </>
  )
}
