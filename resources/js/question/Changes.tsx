import type { Difference } from '@/api/queries'
import { percent } from '@/lib/format'
import { placeInQuestion } from '@/question/placeInQuestion'

const looks = { same: '', old: 'bg-problem-tint text-problem', new: 'bg-accent-tint text-accent [del+&]:ml-0.5' }

/** What differs, place by place: what went is struck, what came is underlined. */
export function Changes({ differences }: { differences: Difference[] }) {
  return (
    <dl className="flex flex-col gap-2">
      {differences.map(({ path, runs }) => {
        const place = placeInQuestion(path)
        const share = path.at(-1)?.name.endsWith('credit')
        return (
          <div key={JSON.stringify(path)} className="border-hairline border-l-2 pl-3">
            <dt className="text-caption text-second">{place}</dt>
            <dd className="whitespace-pre-wrap break-words">
              {runs.map(([which, words], i) => {
                const Run = { same: 'span', old: 'del', new: 'ins' }[which] as 'span' | 'del' | 'ins'
                return (
                  // biome-ignore lint/suspicious/noArrayIndexKey: runs of one text never change their places
                  <Run key={i} className={looks[which]}>
                    {share ? percent(words) : words}
                  </Run>
                )
              })}
            </dd>
          </div>
        )
      })}
    </dl>
  )
}
