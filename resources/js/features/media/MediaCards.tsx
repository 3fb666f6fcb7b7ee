import { AudioLines, Captions, Film } from 'lucide-react'
import { type Medium, mediaAddress } from '@/api/media'
import { fileSize } from '@/lib/format'
import { texts } from '@/messages'

const words = texts.media
type Props = { bank: string; rows: Medium[]; look: string; picked: string | undefined; onPick: (id: string) => void }

/** Media as cards with what they show, or as lines. */
export function MediaCards({ bank, rows, look, picked, onPick }: Props) {
  const grid = look === 'grid'
  return (
    <ul className={grid ? 'grid grid-cols-[repeat(auto-fill,minmax(160px,1fr))] gap-3' : 'flex flex-col gap-1'}>
      {rows.map((medium) => (
        <li key={medium.id}>
          <button
            type="button"
            aria-pressed={picked === medium.id}
            onClick={() => onPick(medium.id)}
            className={`flex w-full overflow-hidden rounded-ui border border-hairline bg-paper text-left hover:border-accent aria-pressed:border-accent aria-pressed:bg-accent-tint ${grid ? 'h-full flex-col' : 'items-center gap-3'}`}
          >
            <span className={`flex flex-none items-center justify-center bg-well p-1 ${grid ? 'h-28 w-full' : 'size-12'}`}>
              <Shown bank={bank} medium={medium} />
            </span>
            <span className="min-w-0 flex-1 px-2 py-1">
              <span className="block truncate font-semibold">{medium.name}</span>
              <span className="block truncate text-caption text-second">
                {fileSize(medium.bytes)}, {words.uses({ n: medium.uses })}
              </span>
              {medium.type.startsWith('image/') && medium.alt === null ? (
                <span className="block truncate text-attention text-caption">{texts.rich.picture.undescribed}</span>
              ) : null}
            </span>
          </button>
        </li>
      ))}
    </ul>
  )
}

function Shown({ bank, medium }: { bank: string; medium: Medium }) {
  if (medium.type.startsWith('image/'))
    return <img src={`${mediaAddress(bank, medium.id)}?width=480`} alt="" loading="lazy" className="max-h-full max-w-full object-contain" />
  const Icon = medium.type.startsWith('audio/') ? AudioLines : medium.type.startsWith('video/') ? Film : Captions
  return <Icon size={28} aria-hidden="true" className="text-quiet" />
}
