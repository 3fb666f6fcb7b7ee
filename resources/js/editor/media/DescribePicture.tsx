import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { mediaAddress, mediumQuery } from '@/api/media'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import type { Picture } from '@/ui/media'
import { LEAST, MOST } from '@/ui/rich/pictureNode'

const words = texts.rich.picture
type Props = { bank: string; picture: Picture; isNew: boolean; onDone: (said: Picture | 'gone' | null) => void }

/** What a picture shows, in words, and how wide it stands in the text. */
export function DescribePicture({ bank, picture, isNew, onDone }: Props) {
  const medium = useQuery(mediumQuery(bank, picture.id)).data
  const [alt, setAlt] = useState(picture.alt ?? '')
  const [decorative, setDecorative] = useState(picture.alt === '')
  const [width, setWidth] = useState(picture.width === null ? '' : String(picture.width))
  const pixels = Math.round(Number(width))
  return (
    <FormDialog
      title={words.title}
      go={isNew ? words.insert : words.save}
      onClose={() => onDone(null)}
      onSubmit={() =>
        onDone({
          id: picture.id,
          alt: decorative ? '' : alt.trim() === '' ? null : alt.trim(),
          width: pixels > 0 ? Math.min(MOST, Math.max(LEAST, pixels)) : null,
        })
      }
    >
      <div className="flex justify-center rounded-ui bg-well p-3">
        <img src={`${mediaAddress(bank, picture.id)}?width=480`} alt="" className="max-h-56 max-w-full object-contain" />
      </div>
      <Field.Root>
        <Field.Label>{words.alt}</Field.Label>
        <Field.Area
          rows={3}
          maxLength={2000}
          value={decorative ? '' : alt}
          disabled={decorative}
          placeholder={decorative ? words.noted : ''}
          onChange={(event) => setAlt(event.target.value)}
        />
        <p className="text-caption text-quiet">{words.altAbout}</p>
      </Field.Root>
      <label className="flex items-center gap-2">
        <input type="checkbox" checked={decorative} onChange={(event) => setDecorative(event.target.checked)} />
        {words.decorative}
      </label>
      <div className="flex flex-wrap items-end gap-3">
        <Field.Root>
          <Field.Label>{words.width}</Field.Label>
          <Field.Text
            type="number"
            min={LEAST}
            max={MOST}
            step={1}
            className="w-28"
            value={width}
            onChange={(event) => setWidth(event.target.value)}
          />
        </Field.Root>
        {medium?.width && medium.height ? (
          <p className="pb-1.5 text-caption text-quiet">{words.own({ width: medium.width, height: medium.height })}</p>
        ) : null}
        {isNew ? null : (
          <span className="ml-auto">
            <Button onClick={() => onDone('gone')}>{words.remove}</Button>
          </span>
        )}
      </div>
    </FormDialog>
  )
}
