import { texts } from '@/messages'
import { signatures } from './signatures'

const words = texts.values

/** What formulas can do, in one list. */
export function Functions() {
  return (
    <details className="text-caption">
      <summary className="cursor-pointer font-semibold text-accent">{words.functions}</summary>
      <p className="my-2 text-second">{words.functionsAbout}</p>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5">
        {Object.entries(words.about).map(([name, about]) => (
          <div key={name} className="contents">
            <dt className="font-mono text-information">
              {name}({(signatures[name] ?? '').replaceAll('?', '')})
            </dt>
            <dd>{about}</dd>
          </div>
        ))}
      </dl>
    </details>
  )
}
