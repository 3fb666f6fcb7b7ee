import type { Rule } from '@/api/question'
import { isPositive } from '@/lib/credit'
import { texts } from '@/messages'
import { drawn, middle } from '@/ui/picture/area'
import { KeyArea } from '@/ui/picture/KeyArea'
import { PictureShown } from '@/ui/picture/PictureShown'
import { type Mark, PlaceMarks } from '@/ui/picture/PlaceMarks'
import type { PartPicture } from '@/ui/picture/picture'
import { Outlined, Shape } from '@/ui/picture/Shape'
import { useStage } from '@/ui/picture/useStage'
import type { LearnerProps } from '../definePart'
import type { Region } from './regions'

const words = texts.kind.spot

/** A picture whose regions are picked: by their outlines, or, where they are hidden, by marks that the server judges. */
export function Learner(props: LearnerProps) {
  const { part, response, onChange, disabled, keyOf, result, media } = props
  const picture = part.settings.picture as PartPicture | null
  const src = picture && media ? media(picture.media) : ''
  const rules = (keyOf?.key?.rules ?? []) as Rule<string>[]
  const shown = ((keyOf ? keyOf.settings?.regions : part.settings.regions) ?? []) as Region[]
  const isRight = (id: string) => rules.some((rule) => rule.on === id && isPositive(rule.credit))
  const isPartly = (id: string) =>
    keyOf?.scoring?.scheme === 'weights' && rules.some((rule) => rule.on === id && isPositive(rule.credit) && rule.credit !== '1')
  const label = part.label || (part.settings.show === 'hidden' ? words.learnerMarks : words.learner)
  if (!picture) return <p className="my-3 text-quiet">{texts.picture.noPicture}</p>
  if (part.settings.show === 'hidden') {
    const marks = (response?.at as Mark[] | undefined) ?? []
    const tone = result?.state === 'right' ? ('right' as const) : result?.state === 'wrong' ? ('wrong' as const) : null
    return (
      <fieldset aria-label={label} className="my-3 min-w-0 rounded-ui border border-hairline p-3">
        <PlaceMarks
          picture={picture}
          src={src}
          label={label}
          marks={marks}
          max={part.settings.max as number | null}
          disabled={disabled === true}
          tones={marks.map(() => tone)}
          onMarks={(at) => onChange({ at })}
        >
          {keyOf
            ? shown
                .filter((region) => isRight(region.id))
                .map((region) => <KeyArea key={region.id} area={region} isPartly={isPartly(region.id)} />)
            : null}
        </PlaceMarks>
      </fieldset>
    )
  }
  return <Regions {...props} picture={picture} src={src} label={label} isRight={isRight} hasKey={keyOf !== undefined} />
}

type RegionsProps = LearnerProps & { picture: PartPicture; src: string; label: string; isRight: (id: string) => boolean; hasKey: boolean }

function Regions({ part, response, onChange, disabled, result, picture, src, label, isRight, hasKey }: RegionsProps) {
  const stage = useStage(picture)
  const regions = part.settings.regions as Region[]
  const chosen = (response?.spots as string[] | undefined) ?? []
  const step = result?.trace.find((one) => one.step === 'spots.judged') as { right: string[]; wrong: string[] } | undefined
  const pick = (id: string) => {
    const single = part.settings.max === 1
    onChange({ spots: chosen.includes(id) ? chosen.filter((one) => one !== id) : single ? [id] : [...chosen, id] })
  }
  const name = (region: Region, i: number) => region.label || words.region({ n: i + 1 })
  return (
    <fieldset aria-label={label} className="my-3 min-w-0 rounded-ui border border-hairline p-3">
      <PictureShown picture={picture} src={src} stage={stage} svg={{ role: 'group', 'aria-label': label }}>
        {[...regions].reverse().map((region) => {
          const i = regions.indexOf(region)
          const n = drawn(region)
          if (!n) return null
          const on = chosen.includes(region.id)
          const right = step?.right.includes(region.id) === true || (hasKey && isRight(region.id))
          const wrong = step?.wrong.includes(region.id) === true
          const tone = right ? 'stroke-[#0e6a5b]' : wrong ? 'stroke-[#9c2b36]' : on ? 'stroke-[#0e6a5b]' : 'stroke-[#1f2528]'
          const { x, y } = middle(region.shape, n)
          return (
            // biome-ignore lint/a11y/useSemanticElements: a shape of SVG cannot be a button of HTML
            <g
              key={region.id}
              role="button"
              tabIndex={disabled ? -1 : 0}
              aria-disabled={disabled}
              aria-pressed={on}
              aria-label={name(region, i)}
              className="cursor-pointer outline-none [&:focus-visible>.ring]:opacity-100"
              onClick={() => (disabled ? undefined : pick(region.id))}
              onKeyDown={(event) => {
                if (disabled || (event.key !== 'Enter' && event.key !== ' ')) return
                event.preventDefault()
                pick(region.id)
              }}
            >
              <title>{name(region, i)}</title>
              <Shape
                shape={region.shape}
                n={n}
                className="fill-transparent stroke-transparent"
                strokeWidth={14}
                vectorEffect="non-scaling-stroke"
              />
              <Shape
                shape={region.shape}
                n={n}
                className="ring fill-none stroke-[#33566b] opacity-0"
                strokeWidth={9}
                vectorEffect="non-scaling-stroke"
              />
              <Shape
                shape={region.shape}
                n={n}
                className={
                  on
                    ? wrong
                      ? 'fill-[#9c2b36]/25'
                      : 'fill-[#0e6a5b]/30'
                    : right
                      ? 'fill-[#0e6a5b]/15'
                      : 'fill-[#fff]/10 hover:fill-[#fff]/35'
                }
              />
              <Outlined shape={region.shape} n={n} tone={tone} {...(on || right || wrong ? {} : { dash: '5 3' })} />
              {on ? (
                <g className="pointer-events-none" transform={`translate(${x} ${y}) scale(${stage.unit})`}>
                  <circle r={11} className={wrong ? 'fill-[#9c2b36]' : 'fill-[#0e6a5b]'} />
                  <path d={wrong ? 'M-4-4L4 4M4-4L-4 4' : 'M-5 0L-1.5 4L5-4'} className="fill-none stroke-[#fff]" strokeWidth={2.5} />
                </g>
              ) : null}
            </g>
          )
        })}
      </PictureShown>
      <p className="mt-2 font-sans text-caption text-second">
        {chosen.length === 0
          ? label
          : words.chosen({ list: regions.flatMap((region, i) => (chosen.includes(region.id) ? [name(region, i)] : [])).join(', ') })}
      </p>
    </fieldset>
  )
}
