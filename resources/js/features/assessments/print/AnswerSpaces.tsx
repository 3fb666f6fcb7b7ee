import type { Assessment, PrintSettings } from '@/api/assembly'
import { texts } from '@/messages'
import { control } from '@/ui/Field'
import { type Space, spaceOf, USUAL, withSpace } from './spaces'

const words = texts.assembly.printing
const MOST_DRAGGED = 60
const MOST_LINES = 400
type Props = { assessment: Assessment; settings: PrintSettings; mayWrite: boolean; onChange: (settings: PrintSettings) => void }

/** Where each question is answered on paper: lines, a box, squares; as high as is dragged or typed. */
export function AnswerSpaces({ assessment, settings, mayWrite, onChange }: Props) {
  const entries = assessment.content.sections.flatMap((section) => section.entries)
  const set = (entry: string, change: Partial<Space> | null) => onChange(withSpace(settings, entry, change))
  return (
    <details>
      <summary className="cursor-pointer text-second">{words.spaceOfEach}</summary>
      <p className="text-caption text-quiet">{words.spaceAbout}</p>
      <ol className="mt-1 flex flex-col gap-2">
        {entries.map((entry, i) => {
          const facts = assessment.entries[entry.id]
          const named = words.spaceOf({ n: i + 1, title: facts?.title || facts?.stem || '' })
          const own = spaceOf(settings, entry.id)
          const space = own?.as === undefined && own?.lines === undefined ? undefined : own
          const lines = space?.lines ?? USUAL
          const as = space?.as ?? 'lines'
          return (
            <li key={entry.id} className="flex flex-col gap-0.5">
              <span className="truncate" title={named}>
                {named}
              </span>
              <span className="flex items-center gap-1.5">
                <select
                  aria-label={words.spaceKind({ what: named })}
                  className={control}
                  disabled={!mayWrite}
                  value={space ? as : ''}
                  onChange={(event) => set(entry.id, event.target.value === '' ? null : { as: event.target.value, lines })}
                >
                  <option value="">{words.spaceUsual}</option>
                  {Object.entries(words.spaceKinds).map(([key, title]) => (
                    <option key={key} value={key}>
                      {title}
                    </option>
                  ))}
                </select>
                {space ? (
                  <>
                    <input
                      type="range"
                      aria-label={words.spaceDrag({ what: named })}
                      className="min-w-0 flex-1 accent-accent"
                      min={0}
                      max={Math.max(MOST_DRAGGED, lines)}
                      disabled={!mayWrite}
                      value={lines}
                      onChange={(event) => set(entry.id, { as, lines: Number(event.target.value) })}
                    />
                    <input
                      type="number"
                      aria-label={words.spaceLines({ what: named })}
                      className={`${control} w-16`}
                      min={0}
                      max={MOST_LINES}
                      disabled={!mayWrite}
                      value={lines}
                      onChange={(event) =>
                        set(entry.id, { as, lines: Math.min(MOST_LINES, Math.max(0, Math.round(Number(event.target.value)))) })
                      }
                    />
                  </>
                ) : null}
                <label className="ml-auto flex items-center gap-1 text-caption">
                  <input
                    type="checkbox"
                    className="accent-accent"
                    aria-label={texts.paper.print.breakBefore({ what: named })}
                    checked={own?.break === true}
                    disabled={!mayWrite}
                    onChange={(event) => set(entry.id, { break: event.target.checked })}
                  />
                  {texts.paper.print.breakShort}
                </label>
              </span>
            </li>
          )
        })}
      </ol>
    </details>
  )
}
