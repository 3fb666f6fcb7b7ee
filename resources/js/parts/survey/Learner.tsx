import { texts } from '@/messages'
import type { LearnerProps, OptionShown } from '../definePart'
import { Flat } from '../Flat'

const words = texts.kind.survey

type Scale = { from: number; to: number; captions: { from: string; to: string } }

/** Options to choose from, or the numbers of a scale side by side. */
export function Learner({ part, response, onChange, disabled, media }: LearnerProps) {
  const scale = part.settings.scale as Scale | null
  const options: { id: string; body: OptionShown['body'] }[] = scale
    ? Array.from({ length: Math.max(0, scale.to - scale.from + 1) }, (_, i) => ({
        id: String(scale.from + i),
        body: [String(scale.from + i)],
      }))
    : (part.settings.options as OptionShown[])
  const single = part.settings.max === 1
  const chosen = (response?.chosen as string[] | undefined) ?? []
  const pick = (id: string, on: boolean) =>
    onChange({ chosen: single ? (on ? [id] : []) : on ? [...chosen, id] : chosen.filter((one) => one !== id) })
  return (
    <fieldset disabled={disabled} className="my-3 flex min-w-0 flex-wrap items-center gap-x-3">
      <legend className="sr-only">{part.label || words.gives}</legend>
      {scale?.captions.from ? <span className="font-sans text-caption text-second">{scale.captions.from}</span> : null}
      <div className={scale ? 'flex flex-wrap gap-1' : 'w-full'}>
        {options.map((option) => (
          <label
            key={option.id}
            className={`flex cursor-pointer items-center gap-2 hover:bg-well ${scale ? 'min-h-10 flex-col rounded-ui border border-hairline px-3 py-1' : 'border-hairline border-b px-2 py-2'}`}
          >
            <input
              type={single ? 'radio' : 'checkbox'}
              name={`survey-${part.id}`}
              className="size-4 flex-none accent-(--color-accent)"
              checked={chosen.includes(option.id)}
              onChange={(event) => pick(option.id, event.target.checked)}
            />
            <span>
              <Flat nodes={option.body} media={media} />
            </span>
          </label>
        ))}
      </div>
      {scale?.captions.to ? <span className="font-sans text-caption text-second">{scale.captions.to}</span> : null}
    </fieldset>
  )
}
