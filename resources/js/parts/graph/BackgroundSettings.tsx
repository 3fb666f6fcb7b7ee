import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import type { Num } from '@/ui/graph/graph'
import { useChoosePicture } from '@/ui/picture/ChoosePicture'
import { SettingNumber } from '../PartCard'
import { numOf, shownNum } from './Axes'

const words = texts.kind.graph
const sides = ['left', 'bottom', 'right', 'top'] as const

type Background = { media: string; alt: string; width?: number; height?: number; at?: Num[]; opacity?: number }
type Props = { value: unknown; media: (id: string) => string; onChange: (background: Background | null) => void }

/** A picture behind the grid: which, where and how strong. */
export function BackgroundSettings({ value, media, onChange }: Props) {
  const from = useChoosePicture()
  const background = (value ?? null) as Background | null
  const choose = async () => {
    const chosen = await from.choose()
    if (chosen) onChange({ ...chosen, opacity: background?.opacity ?? 60 })
  }
  return (
    <fieldset className="flex w-full flex-wrap items-center gap-x-4 gap-y-2">
      <legend className="mb-1 text-caption text-second">{words.background}</legend>
      {background ? <img src={media(background.media)} alt={background.alt} className="h-12 rounded-ui border border-hairline" /> : null}
      <Button onClick={choose}>{words.choosePicture}</Button>
      {background ? (
        <>
          <label className="flex items-center gap-2">
            {words.describe}
            <input
              className={`${control} w-64`}
              maxLength={1000}
              value={background.alt}
              onChange={(event) => onChange({ ...background, alt: event.target.value })}
            />
          </label>
          <SettingNumber
            label={words.opacity}
            value={background.opacity ?? 100}
            min={0}
            max={100}
            onChange={(opacity) => onChange({ ...background, opacity: opacity ?? 100 })}
          />
          {sides.map((side, i) => (
            <label key={side} className="flex items-center gap-2">
              {words.sides[side]}
              <input
                className={`${control} w-16`}
                placeholder={words.edge}
                value={shownNum(background.at?.[i])}
                onChange={(event) => {
                  const at = sides.map((_, j) => (j === i ? numOf(event.target.value) : (background.at?.[j] ?? '')))
                  const { at: _, ...rest } = background
                  onChange(at.every((one) => one === '') ? rest : { ...rest, at })
                }}
              />
            </label>
          ))}
          <Button onClick={() => onChange(null)}>{words.noPicture}</Button>
        </>
      ) : null}
    </fieldset>
  )
}
