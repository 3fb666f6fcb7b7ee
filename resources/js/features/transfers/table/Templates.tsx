import { useState } from 'react'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'

const words = texts.questionTable.templates

/** Tables to download and fill in. */
export function Templates() {
  const [kind, setKind] = useState<keyof typeof words.of>('all')
  return (
    <section aria-label={words.title} className="flex flex-col gap-1">
      <h2 className="font-semibold text-head">{words.title}</h2>
      <p className="text-second">{words.about}</p>
      <div className="mt-1 flex flex-wrap items-center gap-4">
        <Field.Root>
          <Field.Label hidden>{words.title}</Field.Label>
          <Field.Choice value={kind} onChange={(event) => setKind(event.target.value as typeof kind)}>
            {Object.entries(words.of).map(([name, title]) => (
              <option key={name} value={name}>
                {title}
              </option>
            ))}
          </Field.Choice>
        </Field.Root>
        {(['xlsx', 'csv'] as const).map((type) => (
          <a key={type} href={`/api/v1/table-templates/${kind}/${type}`} download className="text-accent underline">
            {words[type]}
          </a>
        ))}
      </div>
    </section>
  )
}
