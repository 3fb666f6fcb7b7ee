import type { Assembled, BlueprintContent } from '@/api/blueprints'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'

const words = texts.blueprints

type Props = {
  found: Assembled
  mayWrite: boolean
  onTake: (content: BlueprintContent) => void
  /** Lets go of the questions that are kept, where some are. */
  onUnlock?: () => void
}

/** Why there is no test: what cannot hold together, and what asking for less would say; a click asks for it. */
export function Reasons({ found, mayWrite, onTake, onUnlock }: Props) {
  if (found.possible) return null
  return (
    <section aria-label={words.impossible} className="mb-4 rounded-ui border border-attention bg-attention-tint p-3">
      <h2 className="font-semibold text-attention">
        <span role="status">{found.proved ? words.impossible : words.notInTime}</span>
      </h2>
      {found.reasons.length > 1 ? <p>{words.together}</p> : null}
      {found.words.map((sentence) => (
        <p key={sentence}>{sentence}</p>
      ))}
      <ul className="flex flex-col gap-2 pt-1">
        {found.reasons.map((reason) => (
          <li key={reason.id}>
            <p>{reason.sentence}</p>
            {reason.id === 'kept' && onUnlock ? (
              <p className="pt-1">
                <Button onClick={onUnlock}>{words.unlockAll}</Button>
              </p>
            ) : null}
            {mayWrite && reason.offers.length > 0 ? (
              <p className="flex flex-wrap gap-2 pt-1">
                {reason.offers.map((offer) => (
                  <Button key={offer.label} onClick={() => onTake(offer.blueprint)}>
                    {offer.label}
                  </Button>
                ))}
              </p>
            ) : null}
          </li>
        ))}
      </ul>
    </section>
  )
}
