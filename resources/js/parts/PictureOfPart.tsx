import { useRef, useState } from 'react'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import { Message } from '@/ui/Message'
import { PutValueIn } from '@/ui/PutValueIn'
import { ChoosePicture, useChoosePicture } from '@/ui/picture/ChoosePicture'
import { type Naming, PictureDesk } from '@/ui/picture/PictureDesk'
import type { PartPicture } from '@/ui/picture/picture'
import { type Form, formScaled, type Thing, type Tool } from '@/ui/picture/things'

const words = texts.picture

type Props = {
  picture: PartPicture | null
  /** With the forms where they were scaled to another picture. */
  onPicture: (picture: PartPicture, forms: Map<string, Form>, place: string) => void
  media: (id: string) => string
  problem: string | undefined
  label: string
  things: Thing[]
  tools: Exclude<Tool, 'select'>[]
  selected: string[]
  onSelect: (ids: string[]) => void
  onForms: (forms: Map<string, Form>, place: string) => void
  onAdd: (form: Form, byKey: boolean) => string
  onRemove: (ids: string[]) => void
  onDuplicate: (ids: string[]) => void
  naming: Naming
}

/** The picture of a part with what is on it: chosen, described, exchanged, drawn on. */
export function PictureOfPart({ picture, onPicture, media, problem, ...desk }: Props) {
  const from = useChoosePicture()
  const altField = useRef<HTMLInputElement>(null)
  const [before, setBefore] = useState<PartPicture | null>(null)
  if (!picture)
    return (
      <>
        <ChoosePicture onPicture={(chosen) => onPicture(chosen, new Map(), '')} />
        {problem ? <p className="px-3 pb-2 text-caption text-problem">{problem}</p> : null}
      </>
    )
  const exchange = async () => {
    const chosen = await from.choose()
    if (!chosen) return
    setBefore(desk.things.length > 0 && (chosen.width !== picture.width || chosen.height !== picture.height) ? picture : null)
    onPicture({ ...chosen, alt: chosen.alt === '' ? picture.alt : chosen.alt }, new Map(), '')
  }
  const scale = () => {
    if (!before) return
    const [byX, byY] = [picture.width / before.width, picture.height / before.height]
    onPicture(picture, new Map(desk.things.map((one) => [one.id, formScaled(one.form, byX, byY)])), '')
    setBefore(null)
  }
  return (
    <>
      {before ? (
        <div className="p-2">
          <Message
            look="attention"
            actions={
              <>
                <Button onClick={scale}>{words.scale}</Button>
                <Button onClick={() => setBefore(null)}>{words.keepPlaces}</Button>
              </>
            }
          >
            {words.otherSize({ before: `${before.width} × ${before.height}`, now: `${picture.width} × ${picture.height}` })}
          </Message>
        </div>
      ) : null}
      <PictureDesk {...desk} picture={picture} src={media(picture.media)} />
      <div className="flex flex-wrap items-center gap-2 border-hairline border-b px-3 py-1.5">
        <label className="flex min-w-64 flex-1 items-center gap-2">
          <span className="text-caption text-second">{words.shows}</span>
          <input
            className={`${control} min-w-0 flex-1`}
            maxLength={1000}
            placeholder={words.showsHint}
            ref={altField}
            value={picture.alt}
            onChange={(event) => onPicture({ ...picture, alt: event.target.value }, new Map(), 'alt')}
          />
        </label>
        <PutValueIn field={altField} onChange={(alt) => onPicture({ ...picture, alt }, new Map(), 'alt')} />
        <span className="text-caption text-quiet">{words.units({ width: picture.width, height: picture.height })}</span>
        {from.isThere ? (
          <Button look="quiet" className="!px-1" onClick={exchange}>
            {words.exchange} …
          </Button>
        ) : null}
        {problem ? <span className="w-full text-caption text-problem">{problem}</span> : null}
      </div>
    </>
  )
}
