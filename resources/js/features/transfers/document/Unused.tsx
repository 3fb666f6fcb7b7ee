import { useState } from 'react'
import type { TypedDocument } from '@/api/documents'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { htmlTree } from '@/ui/htmlTree'
import { Menu } from '@/ui/Menu'
import { RichTree } from '@/ui/RichTree'
import type { Correct } from './useCorrections'

const words = texts.document

type Props = { unused: TypedDocument['unused']; media: (id: string) => string; correct: Correct; onShow: (line: number) => void }

/** What of the document went nowhere, before anything else: it may be a question that was missed. */
export function Unused({ unused, media, correct, onShow }: Props) {
  const [open, setOpen] = useState(true)
  return (
    <section aria-label={words.unused.title({ n: unused.length })} className="flex-none border-hairline border-b bg-page px-4 py-2">
      <h2 className="flex items-center gap-3 text-head font-semibold">
        {unused.length > 0 ? (
          <Button look="quiet" className="!px-0" aria-expanded={open} onClick={() => setOpen(!open)}>
            {words.unused.title({ n: unused.length })}
          </Button>
        ) : (
          words.unused.title({ n: 0 })
        )}
      </h2>
      {open && unused.length > 0 ? (
        <>
          <p className="text-second">{words.unused.about}</p>
          <ul className="mt-2 max-h-44 overflow-y-auto rounded-ui border border-hairline bg-paper">
            {unused.map((line) => (
              <li key={line.number} className="flex items-center gap-3 border-hairline border-b px-3 py-1 last:border-b-0">
                <button
                  type="button"
                  className="min-h-6 min-w-8 text-right text-caption text-accent tabular-nums hover:underline"
                  title={words.unused.show}
                  aria-label={`${words.unused.show}: ${line.number}`}
                  onClick={() => onShow(line.number)}
                >
                  {line.number}
                </button>
                <span className="question-text beside min-w-0 flex-1 [overflow-wrap:anywhere]">
                  <RichTree nodes={htmlTree(line.html)} media={media} />
                </span>
                <Menu.Root
                  align="end"
                  button={
                    <Button className="!px-2" aria-label={words.unused.asOf({ n: line.number })}>
                      {words.unused.use}
                    </Button>
                  }
                >
                  {(['question', 'more', 'heading', 'stimulus'] as const).map((is) => (
                    <Menu.Item key={is} onSelect={() => correct.set('lines', `${line.number}`, is)}>
                      {words.line[is]}
                    </Menu.Item>
                  ))}
                </Menu.Root>
              </li>
            ))}
          </ul>
        </>
      ) : null}
    </section>
  )
}
