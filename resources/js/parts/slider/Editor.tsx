import { texts } from '@/messages'
import { Gap } from '@/ui/Sentence'
import type { EditorProps } from '../definePart'
import { NumberRule } from '../NumberRule'
import { type NumberOn, read, type Value, written } from '../numberOn'
import { RuleList } from '../RuleList'

const words = texts.kind.slider

/** The scale in one sentence, then what is right on it. */
export function Editor(props: EditorProps) {
  const settings = (props.part.settings ?? {}) as { from?: Value; to?: Value; step?: Value; captions?: { from?: string; to?: string } }
  const set = (changed: Record<string, unknown>, place: string) =>
    props.onChange({ ...props.part, settings: { ...settings, ...changed } }, place)
  const end = (name: 'from' | 'to' | 'step', usual: string) => (
    <Gap
      aria-label={words[name]}
      className="font-serif"
      value={written(settings[name] ?? usual)}
      onChange={(event) => set({ [name]: read(event.target.value) }, name)}
    />
  )
  const meaning = (name: 'from' | 'to') => (
    <Gap
      aria-label={`${words[name]}: ${words.meaning}`}
      placeholder={words.meaning}
      value={settings.captions?.[name] ?? ''}
      onChange={(event) => set({ captions: { ...settings.captions, [name]: event.target.value } }, `caption ${name}`)}
    />
  )
  const wrong = props.problem('/settings')
  return (
    <RuleList<NumberOn>
      {...props}
      title={words.sets}
      head={
        <div className="border-hairline border-b px-3 py-2">
          <div className="flex flex-wrap items-baseline gap-2">
            {words.from} {end('from', '0')} {meaning('from')} {words.to} {end('to', '10')} {meaning('to')} {words.step} {end('step', '1')}
          </div>
          {wrong ? <p className="text-caption text-problem">{wrong}</p> : null}
        </div>
      }
      fresh={{ answer: 'value', value: '' }}
      sentence={(on, change, label) => <NumberRule on={on} set={change} label={label} />}
    />
  )
}
