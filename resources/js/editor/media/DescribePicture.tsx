import { useQuery } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { mediaAddress, mediumQuery } from '@/api/media'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import type { Picture } from '@/ui/media'
import { PutValueIn } from '@/ui/PutValueIn'
import { readView, viewStyles, writeView } from '@/ui/pictureView'
import { LEAST, MOST } from '@/ui/rich/pictureBox'
import { CropFrame } from './CropFrame'

const words = texts.rich.picture
const places = ['line', 'left', 'center', 'right'] as const
type Props = {
  bank: string
  picture: Picture
  isNew: boolean
  onDone: (said: Picture | 'gone' | null) => void
  /** Another picture in its place, with what was said here so far. */
  onReplace: (said: Picture) => void
}

/** What a picture shows, in words, how wide it stands and where, and how much of it. */
export function DescribePicture({ bank, picture, isNew, onDone, onReplace }: Props) {
  const medium = useQuery(mediumQuery(bank, picture.id)).data
  const [alt, setAlt] = useState(picture.alt ?? '')
  const altField = useRef<HTMLTextAreaElement>(null)
  const [decorative, setDecorative] = useState(picture.alt === '')
  const [width, setWidth] = useState(picture.width === null ? '' : String(picture.width))
  const [figure, setFigure] = useState(picture.figure)
  const [view, setView] = useState(readView(picture.view))
  const [cropping, setCropping] = useState(false)
  const pixels = Math.round(Number(width))
  const size = medium?.width && medium.height ? { width: medium.width, height: medium.height } : null
  const address = mediaAddress(bank, picture.id)
  const said: Picture = {
    kind: 'picture',
    id: picture.id,
    alt: decorative ? '' : alt.trim() === '' ? null : alt.trim(),
    width: pixels > 0 ? Math.min(MOST, Math.max(LEAST, pixels)) : null,
    view: view ? writeView(view) : null,
    figure,
  }
  const shown = view ? viewStyles(view, Math.min(view.width, 360)) : null
  return (
    <FormDialog title={words.title} go={isNew ? words.insert : words.save} onClose={() => onDone(null)} onSubmit={() => onDone(said)}>
      {cropping && size ? (
        <CropFrame src={`${address}?width=960`} size={size} view={view} onChange={setView} />
      ) : (
        <div className="flex justify-center rounded-ui bg-well p-3">
          {shown ? (
            <span className="viewed" style={shown.box}>
              <img src={address} alt="" className="block max-w-none" style={shown.picture} />
            </span>
          ) : (
            <img src={`${address}?width=480`} alt="" className="max-h-56 max-w-full object-contain" />
          )}
        </div>
      )}
      <div className="flex flex-wrap gap-2">
        {size ? (
          <Button onClick={() => setCropping(!cropping)} aria-expanded={cropping}>
            {cropping ? words.crop.done : words.crop.go}
          </Button>
        ) : null}
        <Button onClick={() => onReplace(said)}>{words.another}</Button>
        {isNew ? null : (
          <span className="ml-auto">
            <Button onClick={() => onDone('gone')}>{words.remove}</Button>
          </span>
        )}
      </div>
      <Field.Root>
        <Field.Label>{words.alt}</Field.Label>
        <Field.Area
          ref={altField}
          rows={3}
          maxLength={2000}
          value={decorative ? '' : alt}
          disabled={decorative}
          placeholder={decorative ? words.noted : ''}
          onChange={(event) => setAlt(event.target.value)}
        />
        <p className="text-caption text-quiet">{words.altAbout}</p>
        {decorative ? null : <PutValueIn field={altField} onChange={setAlt} />}
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
        <Field.Root>
          <Field.Label>{words.stands.label}</Field.Label>
          <Field.Choice
            value={figure ?? 'line'}
            onChange={(event) => {
              const place = places.find((one) => one === event.target.value)
              setFigure(place === undefined || place === 'line' ? null : place)
            }}
          >
            {places.map((place) => (
              <option key={place} value={place}>
                {words.stands[place]}
              </option>
            ))}
          </Field.Choice>
        </Field.Root>
        {size ? <p className="pb-1.5 text-caption text-quiet">{words.own(size)}</p> : null}
      </div>
      {figure ? <p className="text-caption text-quiet">{words.stands.about}</p> : null}
    </FormDialog>
  )
}
