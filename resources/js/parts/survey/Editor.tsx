import { useRef } from 'react'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Gap } from '@/ui/Sentence'
import { afterRemoving } from '../afterRemoving'
import type { EditorProps } from '../definePart'
import { freshId } from '../fresh'
import { toHtml } from '../html'
import { moved } from '../moved'
import { PartCard, SettingChoice, SettingNumber } from '../PartCard'
import type { Row } from '../pairKey'
import { RemoveButton } from '../RemoveButton'
import { RowText } from '../RowText'
import { usePart } from '../useRows'
import { withRows } from '../withRows'

const words = texts.kind.survey

type Scale = { from: number; to: number; captions?: { from?: string; to?: string } }
const whole = (typed: string) => Math.min(1000, Math.max(-1000, Math.round(Number(typed)) || 0))

/** The options of an opinion, or a scale in one sentence. */
export function Editor({ part, onChange, problem, media }: EditorProps) {
  const options = (part.settings?.options ?? []) as Row[]
  const scale = (part.settings?.scale ?? null) as Scale | null
  const edit = usePart(part, onChange)
  const list = useRef<HTMLUListElement>(null)
  const add = () => {
    const id = freshId(options, 'o')
    edit.focus(id)
    edit.put({ options: [...options, { id, html: '' }] })
  }
  const end = (name: 'from' | 'to') =>
    scale ? (
      <>
        <Gap
          aria-label={words[name]}
          inputMode="numeric"
          value={String(scale[name])}
          onChange={(event) => edit.put({ scale: { ...scale, [name]: whole(event.target.value) } }, {}, name)}
        />
        <Gap
          aria-label={`${words[name]}: ${words.meaning}`}
          placeholder={words.meaning}
          value={scale.captions?.[name] ?? ''}
          onChange={(event) =>
            edit.put({ scale: { ...scale, captions: { ...scale.captions, [name]: event.target.value } } }, {}, `caption ${name}`)
          }
        />
      </>
    ) : null
  return (
    <PartCard
      part={part}
      onChange={onChange}
      title={words.gives}
      summary={words.ways[scale ? 'scale' : 'options'] ?? ''}
      problem={problem('/points') ?? problem('/key/rules') ?? (options.length < 2 && !scale ? problem('/settings/options') : undefined)}
      settings={
        <>
          <SettingChoice
            label={words.by}
            value={scale ? 'scale' : 'options'}
            options={Object.entries(words.ways)}
            onChange={(way) => edit.put({ scale: way === 'scale' ? { from: 1, to: 5, captions: { from: '', to: '' } } : null })}
          />
          {scale ? null : (
            <SettingNumber
              label={texts.parts.atMost}
              value={(part.settings?.max as number | null | undefined) ?? null}
              min={1}
              max={500}
              empty={texts.parts.all}
              onChange={(max) => edit.put({ max })}
            />
          )}
        </>
      }
    >
      {scale ? (
        <div className="px-3 py-2">
          <div className="flex flex-wrap items-baseline gap-2">
            {words.from} {end('from')} {words.to} {end('to')}
          </div>
          {problem('/settings/scale') ? <p className="text-caption text-problem">{problem('/settings/scale')}</p> : null}
        </div>
      ) : (
        <>
          <ul ref={list}>
            {options.map((option, i) => (
              <li key={option.id} className="flex items-start gap-2 border-hairline border-b px-2 py-1.5">
                <RowText
                  value={option.html}
                  label={words.option({ n: i + 1 })}
                  media={media}
                  autoFocus={edit.focused === option.id}
                  wrong={problem(`/settings/options/${i}/html`)}
                  onChange={(html) =>
                    edit.put({ options: options.map((one) => (one.id === option.id ? { ...one, html } : one)) }, {}, option.id)
                  }
                  onNext={() => {
                    const after = list.current?.querySelectorAll<HTMLElement>('[data-row] [role=textbox]')[i + 1]
                    if (after) after.focus()
                    else add()
                  }}
                  onMove={(by) => edit.put({ options: moved(options, i, i + by) })}
                  onPasteLines={(text) =>
                    edit.lines(text, (lines) =>
                      edit.put({
                        options: withRows((edit.current().settings?.options ?? []) as Row[], i, lines, toHtml, (rows) => ({
                          id: freshId(rows, 'o'),
                          html: '',
                        })),
                      }),
                    )
                  }
                />
                <RemoveButton
                  name={words.option({ n: i + 1 })}
                  onClick={() => {
                    edit.put({ options: options.filter((one) => one.id !== option.id) })
                    afterRemoving(list.current, 'li', i)
                  }}
                />
              </li>
            ))}
          </ul>
          <footer className="px-1 py-1">
            <Button look="quiet" onClick={add}>
              {words.add}
            </Button>
          </footer>
        </>
      )}
    </PartCard>
  )
}
