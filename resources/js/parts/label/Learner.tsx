import type { Rule } from '@/api/question'
import { isPositive } from '@/lib/credit'
import { texts } from '@/messages'
import { Mark } from '@/ui/picture/Mark'
import { PictureShown } from '@/ui/picture/PictureShown'
import type { PartPicture } from '@/ui/picture/picture'
import { useStage } from '@/ui/picture/useStage'
import type { LearnerProps } from '../definePart'
import { Flat } from '../Flat'
import { accept, carry, useHand } from '../PickUp'
import { treeWords } from '../treeWords'
import { type LabelShown, laid, type Placed, type TargetShown, used, WIDTH, withoutTarget } from './placed'
import { Slot } from './Slot'

const words = texts.kind.label

/** A picture with targets, and the labels that go to them: placed, picked from menus or typed, on the picture or in a list below it. */
export function Learner(props: LearnerProps) {
  const picture = props.part.settings.picture as PartPicture | null
  return picture ? <Labelled {...props} picture={picture} /> : <p className="my-3 text-quiet">{texts.picture.noPicture}</p>
}

function Labelled({ part, response, onChange, disabled, keyOf, result, media, picture }: LearnerProps & { picture: PartPicture }) {
  const stage = useStage(picture)
  const targets = part.settings.targets as TargetShown[]
  const labels = part.settings.labels as LabelShown[]
  const by = String(part.settings.by)
  const placed = (response?.labels as Placed | undefined) ?? {}
  const hand = useHand(part.id)
  const on = laid(targets, picture.width / stage.unit, picture.height / stage.unit, stage.unit)
  const rules = ((keyOf?.key?.rules ?? []) as Rule[]).filter((rule) => isPositive(rule.credit))
  const slot = (target: TargetShown, i: number) => (
    <Slot
      isNumbered={on !== null}
      part={part.id}
      target={target}
      number={i + 1}
      by={by}
      labels={labels}
      placed={placed}
      disabled={disabled === true}
      rules={rules}
      result={result}
      media={media}
      onPlaced={(next) => onChange({ labels: next })}
    />
  )
  return (
    <fieldset aria-label={part.label || words.learner} className="my-3 min-w-0 rounded-ui border border-hairline p-3">
      <PictureShown
        picture={picture}
        src={media ? media(picture.media) : ''}
        stage={stage}
        svg={{ 'aria-hidden': true }}
        over={
          on
            ? targets.map((target, i) => (
                <div key={target.id} className="absolute" style={{ ...on[i], width: WIDTH }}>
                  {slot(target, i)}
                </div>
              ))
            : null
        }
      >
        {targets.map((target, i) => {
          const [x, y] = target.at.map(Number) as [number, number]
          const [bx, by_] = (target.box ?? target.at).map(Number) as [number, number]
          return (
            <g key={target.id}>
              {target.box ? (
                <>
                  <line x1={bx} y1={by_} x2={x} y2={y} className="stroke-[#fff]/85" strokeWidth={4} vectorEffect="non-scaling-stroke" />
                  <line x1={bx} y1={by_} x2={x} y2={y} className="stroke-[#1f2528]" strokeWidth={1.5} vectorEffect="non-scaling-stroke" />
                  <circle cx={x} cy={y} r={3.5 * stage.unit} className="fill-[#1f2528] stroke-[#fff]" strokeWidth={stage.unit} />
                </>
              ) : null}
              {on ? null : (
                <Mark at={{ x: bx, y: by_ }} unit={stage.unit * 1.1}>
                  {i + 1}
                </Mark>
              )}
            </g>
          )
        })}
      </PictureShown>
      {on ? null : (
        <ol className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(min(100%,13rem),1fr))] gap-2">
          {targets.map((target, i) => (
            <li key={target.id} className="flex min-w-0 items-center gap-2">
              <span aria-hidden="true" className="min-w-5 text-right font-sans font-semibold text-second">
                {i + 1}
              </span>
              <div className="min-w-0 flex-1">{slot(target, i)}</div>
            </li>
          ))}
        </ol>
      )}
      {by === 'placing' ? (
        <div
          className="mt-3 flex flex-wrap gap-2 rounded-ui bg-page p-2"
          ref={accept(part.id, (_, from) => from !== undefined && onChange({ labels: withoutTarget(placed, from) }))}
        >
          {labels.map((label) => {
            const left = label.uses === null ? null : label.uses - used(placed, label.id)
            const off = disabled === true || left === 0
            return (
              <button
                key={label.id}
                type="button"
                disabled={off}
                aria-pressed={hand.thing === label.id}
                {...(off ? {} : { ref: carry(part.id, label.id) })}
                onClick={() => hand.pick(label.id, treeWords(label.body))}
                className="min-h-9 max-w-full cursor-grab rounded-ui border border-edge bg-paper px-3 font-serif text-question hover:bg-well disabled:cursor-default disabled:border-dashed disabled:text-quiet aria-pressed:border-accent aria-pressed:bg-accent-tint aria-pressed:text-accent"
              >
                <Flat nodes={label.body} media={media} />
                {label.uses !== null && label.uses > 1 ? (
                  <span className="ml-2 font-sans text-caption text-quiet">{words.left({ n: left ?? 0 })}</span>
                ) : null}
              </button>
            )
          })}
        </div>
      ) : null}
    </fieldset>
  )
}
