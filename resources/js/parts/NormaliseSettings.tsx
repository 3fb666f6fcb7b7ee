import { texts } from '@/messages'
import { SettingChoice } from './PartCard'

type Normalise = Record<string, string>
type Props = { value: Normalise; onChange: (value: Normalise) => void }

/** How typed words are compared: capitals, spaces, accents; where nothing is said, as for the question. */
export function NormaliseSettings({ value: normalise, onChange }: Props) {
  return (
    <>
      {Object.entries(texts.parts.normalising).map(([name, { title, options }]) => (
        <SettingChoice
          key={name}
          label={title}
          value={normalise[name] ?? ''}
          options={[['', texts.parts.asQuestion], ...Object.entries(options)]}
          onChange={(value) => {
            const { [name]: _, ...rest } = normalise
            onChange(value === '' ? rest : { ...rest, [name]: value })
          }}
        />
      ))}
    </>
  )
}

/** What is said of it, in a few words. */
export const normaliseWords = (normalise: Normalise): string =>
  Object.entries(texts.parts.normalising)
    .filter(([name]) => normalise[name] !== undefined)
    .map(([name, { options }]) => options[normalise[name] ?? ''] ?? '')
    .join(', ')
