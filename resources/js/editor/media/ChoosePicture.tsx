import { useInfiniteQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { addMedium, type Medium, mediaAddress, mediaQuery } from '@/api/media'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { mediaLimits } from '@/settings'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { control } from '@/ui/Field'
import { Message } from '@/ui/Message'
import { FileButton } from './FileButton'

const words = texts.rich.picture

/** A picture of the library, or one that is uploaded here. */
export function ChoosePicture({ bank, onPick }: { bank: string; onPick: (picked: Medium | null) => void }) {
  const client = useQueryClient()
  const [typed, setTyped] = useState('')
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const sought = useDebouncedValue(typed, 150)
  const found = useInfiniteQuery(mediaQuery(bank, `kind=image&words=${encodeURIComponent(sought)}`))
  const rows = found.data?.pages.flatMap((page) => page.data) ?? []
  const send = async (file: File) => {
    setBusy(true)
    setProblem(null)
    try {
      const { medium } = await addMedium(bank, file)
      client.invalidateQueries({ queryKey: ['bank', bank, 'media'] })
      if (medium.type.startsWith('image/')) return onPick(medium)
      setProblem(words.notPictures)
    } catch (refused) {
      setProblem(words.refused({ name: file.name, why: refused instanceof Error ? refused.message : '' }))
    }
    setBusy(false)
  }
  return (
    <Dialog open wide onClose={() => onPick(null)} title={words.choose} closeName={texts.frame.close}>
      <form className="mb-3 flex flex-wrap items-center gap-3" onSubmit={(event) => event.preventDefault()}>
        <input
          type="search"
          aria-label={words.search}
          placeholder={words.search}
          className={`${control} min-w-60 flex-1`}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <FileButton
          label={busy ? words.uploading({ n: 1 }) : words.upload}
          accept="image/*"
          disabled={busy}
          onFiles={([file]) => file && send(file)}
        />
      </form>
      <p className="mb-3 text-caption text-quiet">{words.limits({ mb: mediaLimits.image, pixels: mediaLimits.pixels })}</p>
      {problem ? <Message look="problem">{problem}</Message> : null}
      <Asked query={found} />
      {found.data && rows.length === 0 ? <p className="py-6 text-center text-quiet">{sought === '' ? words.none : words.nothing}</p> : null}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(148px,1fr))] gap-3">
        {rows.map((medium) => (
          <li key={medium.id}>
            <button
              type="button"
              className="flex h-full w-full flex-col overflow-hidden rounded-ui border border-hairline text-left hover:border-accent focus-visible:border-accent"
              onClick={() => onPick(medium)}
            >
              <span className="flex h-28 w-full items-center justify-center bg-well p-1">
                <img
                  src={`${mediaAddress(bank, medium.id)}?width=480`}
                  alt=""
                  loading="lazy"
                  className="max-h-full max-w-full object-contain"
                />
              </span>
              <span className="block w-full truncate px-2 pt-1 font-semibold">{medium.name}</span>
              <span className="line-clamp-2 px-2 pb-1.5 text-caption text-second">
                {medium.alt === null ? words.undescribed : medium.alt === '' ? words.noted : medium.alt}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {found.hasNextPage ? (
        <Button look="quiet" onClick={() => found.fetchNextPage()}>
          {words.more}
        </Button>
      ) : null}
    </Dialog>
  )
}
