import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { changeMedium, type Medium, mediaAddress, mediumUsesQuery } from '@/api/media'
import { fileSize, list, moment, rounded } from '@/lib/format'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { useToast } from '@/ui/Toasts'
import { ReplaceMedium } from './ReplaceMedium'

const words = texts.media
type Change = Parameters<typeof changeMedium>[2]

/** A medium, what the library says of it, and where it is used. */
export function MediumDetails({ bank, medium, mayWrite }: { bank: string; medium: Medium; mayWrite: boolean }) {
  const client = useQueryClient()
  const tell = useToast()
  const uses = useQuery(mediumUsesQuery(bank, medium.id)).data
  const [name, setName] = useState(medium.name)
  const [alt, setAlt] = useState(medium.alt ?? '')
  const [decorative, setDecorative] = useState(medium.alt === '')
  const [replacing, setReplacing] = useState(false)
  const isPicture = medium.type.startsWith('image/')
  const address = mediaAddress(bank, medium.id)
  const change = useMutation({
    mutationFn: (some: Change) => changeMedium(bank, medium.id, some),
    onSuccess: (now) => {
      setName(now.name)
      client.invalidateQueries({ queryKey: ['bank', bank, 'media'] })
      client.invalidateQueries({ queryKey: ['bank', bank, 'medium', medium.id] })
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  const bin = (binned: boolean) =>
    change.mutate(
      { binned },
      {
        onSuccess: () =>
          tell({
            text: binned ? words.binned({ name: medium.name }) : words.restored({ name: medium.name }),
            undo: () => change.mutate({ binned: !binned }),
          }),
      },
    )
  const facts = [
    medium.width && medium.height ? words.pixels({ width: medium.width, height: medium.height }) : '',
    medium.seconds === null ? '' : words.seconds({ seconds: rounded(medium.seconds) }),
    fileSize(medium.bytes),
    moment(medium.created_at),
  ]
  const said = decorative ? '' : alt.trim() === '' ? null : alt.trim()
  return (
    <section aria-label={words.details} className="flex h-full flex-col gap-4 overflow-y-auto p-4">
      <h2 className="break-words text-head font-semibold">{medium.name}</h2>
      <div className="flex flex-none justify-center rounded-ui bg-well p-3">
        <Preview address={address} medium={medium} />
      </div>
      <p className="text-caption text-second">{list(facts)}</p>
      {medium.sizes.made < medium.sizes.of ? (
        <p role="status" className="text-caption text-information">
          {words.sizing(medium.sizes)}
        </p>
      ) : null}
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          change.mutate({ name, ...(isPicture ? { alt: said } : {}) }, { onSuccess: () => tell({ text: words.saved }) })
        }}
      >
        <Field.Root>
          <Field.Label>{words.name}</Field.Label>
          <Field.Text value={name} maxLength={200} disabled={!mayWrite} onChange={(event) => setName(event.target.value)} />
        </Field.Root>
        {isPicture ? (
          <>
            <Field.Root>
              <Field.Label>{words.altUsual}</Field.Label>
              <Field.Area
                rows={3}
                maxLength={2000}
                disabled={!mayWrite || decorative}
                value={decorative ? '' : alt}
                onChange={(event) => setAlt(event.target.value)}
              />
            </Field.Root>
            <label className="flex items-center gap-2">
              <input type="checkbox" checked={decorative} disabled={!mayWrite} onChange={(event) => setDecorative(event.target.checked)} />
              {texts.rich.picture.decorative}
            </label>
          </>
        ) : null}
        <div className="flex flex-wrap gap-2">
          {mayWrite ? (
            <Button type="submit" disabled={change.isPending || (name === medium.name && (!isPicture || said === medium.alt))}>
              {words.save}
            </Button>
          ) : null}
          <a
            href={address}
            download={medium.name}
            className="inline-flex min-h-8 items-center rounded-ui border border-edge px-3 font-semibold hover:border-accent hover:text-accent"
          >
            {words.download}
          </a>
          {mayWrite && uses && uses.questions.length > 0 ? <Button onClick={() => setReplacing(true)}>{words.replace}</Button> : null}
          {mayWrite ? <Button onClick={() => bin(!medium.binned)}>{medium.binned ? words.restore : words.bin}</Button> : null}
        </div>
      </form>
      <div>
        <h3 className="pb-1 font-semibold">{words.usedIn}</h3>
        {uses && uses.questions.length + uses.stimuli.length === 0 ? <p className="text-quiet">{words.uses({ n: 0 })}</p> : null}
        <ul className="flex flex-col gap-1">
          {uses?.questions.map((one) => (
            <li key={one.id}>
              <Link className="text-accent underline" to={mayWrite ? `/questions/${one.id}` : `/banks/${bank}?question=${one.id}`}>
                {one.name}
              </Link>{' '}
              <span className="text-caption text-second">
                {list([words.revision({ n: one.revision }), ...one.places.map((place) => words.places[place])])}
              </span>
            </li>
          ))}
          {uses?.stimuli.map((one) => (
            <li key={one.id}>
              <Link className="text-accent underline" to={mayWrite ? `/stimuli/${one.id}` : `/banks/${bank}/stimuli?stimulus=${one.id}`}>
                {one.name}
              </Link>{' '}
              <span className="text-caption text-second">{words.revision({ n: one.revision })}</span>
            </li>
          ))}
        </ul>
        {uses && uses.questions.length > 1 ? (
          <p className="pt-2">
            <Link className="text-accent underline" to={`/banks/${bank}?medium=${encodeURIComponent(medium.id)}`}>
              {words.showIn}
            </Link>
          </p>
        ) : null}
        {uses?.more ? <p className="text-caption text-quiet">{words.moreUses}</p> : null}
      </div>
      {replacing && uses ? (
        <ReplaceMedium
          bank={bank}
          medium={medium}
          questions={medium.uses - uses.stimuli.length}
          stimuli={uses.stimuli.length}
          onClose={() => setReplacing(false)}
        />
      ) : null}
    </section>
  )
}

function Preview({ address, medium }: { address: string; medium: Medium }) {
  if (medium.type.startsWith('image/'))
    return <img src={`${address}?width=960`} alt={medium.alt ?? ''} className="max-h-72 max-w-full object-contain" />
  // biome-ignore lint/a11y/useMediaCaption: captions are files of their own here, named where the recording is used
  if (medium.type.startsWith('audio/')) return <audio controls src={address} className="w-full" preload="metadata" />
  // biome-ignore lint/a11y/useMediaCaption: as above
  if (medium.type.startsWith('video/')) return <video controls src={address} className="max-h-72 max-w-full" preload="metadata" />
  return <p className="text-second">{words.kinds.text}</p>
}
