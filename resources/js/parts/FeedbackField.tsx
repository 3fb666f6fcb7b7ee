import type { Feedback } from '@/api/question'
import { useFeedbackShow } from '@/lib/defaults'
import { texts } from '@/messages'
import { LazyRich } from '@/ui/LazyRich'

const words = { part: (id: string) => id }

type Props = {
  value: Feedback | undefined
  label: string
  onChange: (feedback: Feedback) => void
  placeholder?: string
  withShow?: boolean
}

/** What a learner is told, in rich text; with when it shows, where there is room for it. */
export function FeedbackField({ value, label, onChange, placeholder = texts.parts.addFeedback, withShow }: Props) {
  const html = value ? value.html : ''
  const usual = useFeedbackShow()
  const show = value ? (value.show ?? 'both') : usual
  return (
    <div className="flex items-start gap-2">
      <div className="feedback-field min-w-0 flex-1">
        <LazyRich
          value={html}
          label={label}
          words={words}
          placeholder={placeholder}
          onChange={(next) => onChange(next === '' ? '' : { html: next, show })}
        />
      </div>
      {withShow && html !== '' ? (
        <select
          aria-label={texts.parts.showWhen({ what: label })}
          className="min-h-7 max-w-36 flex-none rounded-ui border border-transparent bg-transparent text-caption text-quiet [field-sizing:content] hover:border-edge"
          value={show}
          onChange={(event) => onChange({ html, show: event.target.value as 'both' })}
        >
          {Object.entries(texts.parts.shows).map(([key, title]) => (
            <option key={key} value={key}>
              {title}
            </option>
          ))}
        </select>
      ) : null}
    </div>
  )
}
