import { useInfiniteQuery, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useParams } from 'react-router'
import { addMedium, mediaQuery } from '@/api/media'
import { bankQuery } from '@/api/queries'
import { FileButton } from '@/editor/media/FileButton'
import { fileTarget } from '@/lib/drag'
import { fileSize } from '@/lib/format'
import { storedText, storeText } from '@/lib/storage'
import { useAddress } from '@/lib/useAddress'
import { texts } from '@/messages'
import { mediaLimits } from '@/settings'
import { Shell } from '@/shell/Shell'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Nothing } from '@/ui/Message'
import { PageAndSide } from '@/ui/PageAndSide'
import { useToast } from '@/ui/Toasts'
import { MediaCards } from './MediaCards'
import { MediumDetails } from './MediumDetails'

const words = texts.media
const select =
  'min-h-7 rounded-ui border [field-sizing:content] border-transparent bg-transparent text-caption text-second hover:border-edge'

/** The media of a bank: uploaded, found, described, and where each is used. */
export function Library() {
  const slug = useParams().slug ?? ''
  const client = useQueryClient()
  const tell = useToast()
  const bank = useQuery(bankQuery(slug))
  const { address, set } = useAddress()
  const get = (name: string) => address.get(name) ?? ''
  const asked = new URLSearchParams({ words: get('words'), kind: get('kind'), only: get('only'), larger: get('larger') }).toString()
  const found = useInfiniteQuery(mediaQuery(slug, asked))
  const rows = found.data?.pages.flatMap((page) => page.data) ?? []
  const [look, setLook] = useState(() => (storedText('media') === 'list' ? 'list' : 'grid'))
  const [over, setOver] = useState(false)
  const [coming, setComing] = useState<{ done: number; of: number } | null>(null)
  const mayWrite = bank.data?.may_write === true
  const picked = rows.find((row) => row.id === get('medium')) ?? rows[0]

  const upload = async (files: File[]) => {
    let added = 0
    let last = ''
    for (const [done, file] of files.entries()) {
      setComing({ done, of: files.length })
      try {
        const { medium, isNew } = await addMedium(slug, file)
        last = medium.id
        if (isNew) added++
        else tell({ text: words.known({ name: file.name, as: medium.name }) })
      } catch (problem) {
        tell({ text: words.refused({ name: file.name, why: problem instanceof Error ? problem.message : '' }), look: 'problem' })
      }
      client.invalidateQueries({ queryKey: ['bank', slug, 'media'] })
    }
    setComing(null)
    if (added > 0) tell({ text: words.added({ n: added }) })
    if (last !== '') set('medium', last, true)
  }

  const paste = (event: React.ClipboardEvent) => {
    const files = [...event.clipboardData.files]
    if (mayWrite && files.length > 0) upload(files)
  }
  const empty =
    get('only') === 'binned' ? words.noneBinned : get('words') || get('kind') || get('only') || get('larger') ? words.noneFound : words.none
  const list = (
    <div
      ref={mayWrite ? fileTarget({ onOver: () => setOver(true), onLeave: () => setOver(false), onDrop: upload }) : undefined}
      className={`flex h-full flex-col ${over ? 'bg-accent-tint' : ''}`}
      onPaste={paste}
    >
      <div className="flex flex-none flex-wrap items-center gap-2 border-hairline border-b px-4 py-2">
        <p className="flex-1" aria-live="polite">
          <strong>
            {coming
              ? words.uploading({ done: coming.done + 1, of: coming.of })
              : found.data
                ? words.found({ n: found.data.pages[0]?.meta.found ?? 0 })
                : ' '}
          </strong>
        </p>
        <select aria-label={words.kind} className={select} value={get('kind')} onChange={(event) => set('kind', event.target.value)}>
          {Object.entries(words.kinds).map(([key, title]) => (
            <option key={key} value={key}>
              {title}
            </option>
          ))}
        </select>
        <select aria-label={words.which} className={select} value={get('only')} onChange={(event) => set('only', event.target.value)}>
          {Object.entries(words.only).map(([key, title]) => (
            <option key={key} value={key}>
              {title}
            </option>
          ))}
        </select>
        <select aria-label={words.size} className={select} value={get('larger')} onChange={(event) => set('larger', event.target.value)}>
          {['', '100000', '1000000', '5000000', '20000000'].map((bytes) => (
            <option key={bytes} value={bytes}>
              {bytes === '' ? words.anySize : words.larger({ size: fileSize(Number(bytes)) })}
            </option>
          ))}
        </select>
        <select
          aria-label={words.look}
          className={select}
          value={look}
          onChange={(event) => {
            storeText('media', event.target.value)
            setLook(event.target.value as 'grid')
          }}
        >
          {Object.entries(words.looks).map(([key, title]) => (
            <option key={key} value={key}>
              {title}
            </option>
          ))}
        </select>
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto p-4">
        <Asked query={found} />
        {found.data && rows.length === 0 ? (
          <Nothing title={empty}>
            {empty === words.none ? (
              <>
                <p>{words.about}</p>
                <p className="mt-2 text-caption text-quiet">
                  {words.limits({
                    picture: mediaLimits.image,
                    pixels: mediaLimits.pixels,
                    sound: mediaLimits.audio,
                    film: mediaLimits.video,
                  })}
                </p>
              </>
            ) : null}
          </Nothing>
        ) : null}
        <MediaCards bank={slug} rows={rows} look={look} picked={picked?.id} onPick={(id) => set('medium', id, true)} />
        {found.hasNextPage ? (
          <p className="pt-3 text-center">
            <Button onClick={() => found.fetchNextPage()}>{words.more}</Button>
          </p>
        ) : null}
      </div>
    </div>
  )
  return (
    <Shell
      title={words.title}
      crumbs={[{ title: texts.banks.title, to: '/banks' }, { title: bank.data?.name ?? '…', to: `/banks/${slug}` }, { title: words.title }]}
      search={{ label: words.find, value: get('words'), onChange: (next) => set('words', next) }}
      actions={mayWrite ? <FileButton label={words.upload} look="primary" multiple disabled={coming !== null} onFiles={upload} /> : null}
    >
      {bank.isError ? (
        <Nothing title={bank.error.message} />
      ) : (
        <PageAndSide
          name="media"
          label={words.list}
          page={list}
          side={picked ? <MediumDetails key={picked.id} bank={slug} medium={picked} mayWrite={mayWrite} /> : null}
        />
      )}
    </Shell>
  )
}
