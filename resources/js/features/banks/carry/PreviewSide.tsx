import type { CarryPreview } from '@/api/carry'
import { texts } from '@/messages'
import { Waiting } from '@/ui/Message'
import { written } from './plan'

const words = texts.carry

/** So many folders are shown. */
const SOME = 300

type Props = { preview: CarryPreview | undefined; isCopying: boolean; isStale: boolean }

/** What would happen, in words and numbers. */
export function PreviewSide({ preview, isCopying, isStale }: Props) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls can be reached by keyboard
    <section aria-label={words.preview} aria-busy={isStale} tabIndex={0} className="-outline-offset-2 h-full overflow-y-auto">
      <div className="flex flex-col gap-4 p-6 max-md:p-4">
        <h2 className="font-semibold text-title">{words.preview}</h2>
        {preview === undefined ? <Waiting text={texts.loading} /> : null}
        {preview && preview.questions === 0 && preview.assessments.length === 0 ? <p className="text-second">{words.nothing}</p> : null}
        {preview && (preview.questions > 0 || preview.assessments.length > 0) ? (
          <Happening preview={preview} isCopying={isCopying} />
        ) : null}
      </div>
    </section>
  )
}

function Happening({ preview, isCopying }: { preview: CarryPreview; isCopying: boolean }) {
  const pinned = preview.assessments.reduce((sum, one) => sum + one.pinned, 0)
  return (
    <>
      <div role="status" className="flex flex-col gap-1">
        <p>
          {isCopying ? words.copied({ n: preview.questions }) : words.placed({ n: preview.questions })}{' '}
          {preview.asked > 0 ? words.asked({ n: preview.asked }) : ''}
        </p>
        {preview.not_lent > 0 ? <p className="text-attention">{words.notLent({ n: preview.not_lent })}</p> : null}
        {preview.there > 0 ? (
          <p className={isCopying ? 'text-attention' : 'text-second'}>
            {isCopying ? words.before({ n: preview.there }) : words.placedBefore({ n: preview.there })}
          </p>
        ) : null}
      </div>
      {preview.assessments.length > 0 ? (
        <div className="flex flex-col gap-1">
          <h3 className="font-semibold">{words.assessments}</h3>
          {preview.assessments.map((one) => (
            <p key={one.id}>{words.assessment({ title: one.title, n: one.asked, how: isCopying ? 'copies' : 'same' })}</p>
          ))}
          {isCopying && pinned > 0 ? <p className="text-second">{words.pinned({ n: pinned })}</p> : null}
        </div>
      ) : null}
      <div className="flex flex-col gap-1">
        <h3 className="font-semibold">{words.foldersThere}</h3>
        <ul>
          {preview.folders.slice(0, SOME).map((one) => (
            <li key={written(one.path)} className="flex items-baseline gap-2 border-hairline border-b py-1 last:border-b-0">
              <span className="min-w-0 flex-1">
                {written(one.path)} {one.is_new ? <span className="text-accent text-caption">{words.isNew}</span> : null}
              </span>
              <span className="text-caption text-second tabular-nums">{words.questions({ n: one.questions })}</span>
            </li>
          ))}
          {preview.unfiled > 0 ? (
            <li className="flex items-baseline gap-2 py-1 text-second">
              <span className="flex-1">{words.unfiled}</span>
              <span className="text-caption tabular-nums">{words.questions({ n: preview.unfiled })}</span>
            </li>
          ) : null}
        </ul>
      </div>
      <p className="text-second">{words.undo}</p>
    </>
  )
}
