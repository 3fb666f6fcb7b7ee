import { texts } from '@/messages'
import type { EditorProps } from '../definePart'
import { PartCard, SettingNumber } from '../PartCard'
import { KINDS, kindsNamed, sizeSaid } from './fileKinds'

const words = texts.kind.upload
const MEGABYTE = 1_000_000

type Settings = { types?: string[]; size?: number; count?: number }

/** Which files, how many and how large; and what they are marked by. */
export function Editor({ part, onChange, problem, media }: EditorProps) {
  const settings = (part.settings ?? {}) as Settings
  const types = settings.types ?? []
  const set = (changed: Partial<Settings>) => onChange({ ...part, settings: { ...settings, ...changed } }, '')
  const other = types.filter((type) => !KINDS.some(([, of]) => of.includes(type)))
  return (
    <PartCard
      part={part}
      onChange={onChange}
      title={words.hands}
      summary={types.length === 0 ? words.anyKind : kindsNamed(types)}
      problem={problem('/settings')}
      marking={{ problem, media }}
    >
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-2 px-3 py-2">
        <fieldset className="flex flex-wrap gap-x-4 gap-y-1">
          <legend className="text-caption text-second">{words.which}</legend>
          {KINDS.map(([name, of]) => {
            const on = of.every((type) => types.includes(type))
            return (
              <label key={name} className="flex items-center gap-1.5">
                <input
                  type="checkbox"
                  className="accent-accent"
                  checked={on}
                  onChange={() => set({ types: on ? types.filter((type) => !of.includes(type)) : [...new Set([...types, ...of])] })}
                />
                {words.kinds[name]}
              </label>
            )
          })}
          {other.map((type) => (
            <label key={type} className="flex items-center gap-1.5">
              <input
                type="checkbox"
                className="accent-accent"
                checked
                onChange={() => set({ types: types.filter((one) => one !== type) })}
              />
              {type}
            </label>
          ))}
        </fieldset>
        <SettingNumber
          label={words.howMany}
          value={settings.count ?? 1}
          min={1}
          max={100}
          onChange={(count) => set({ count: count ?? 1 })}
        />
        <SettingNumber
          label={words.howLarge}
          value={Math.max(1, Math.round((settings.size ?? 10 * MEGABYTE) / MEGABYTE))}
          min={1}
          max={2000}
          onChange={(size) => set({ size: (size ?? 10) * MEGABYTE })}
        />
        {types.length === 0 ? <span className="text-caption text-second">{words.anyKind}</span> : null}
        <span className="text-caption text-quiet">{words.kept({ size: sizeSaid(settings.size ?? 10 * MEGABYTE) })}</span>
      </div>
    </PartCard>
  )
}
