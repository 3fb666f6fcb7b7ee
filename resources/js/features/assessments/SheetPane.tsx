import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { sheetQuery } from '@/api/assembly'
import { texts } from '@/messages'
import { Message, Waiting } from '@/ui/Message'
import type { Document } from './useDocument'

type Props = { document: Document; active: string | undefined; onActive: (entry: string) => void }

/** The sheet as it is printed. Nothing in it runs; what is clicked becomes the question at hand. */
export function SheetPane({ document, active, onActive }: Props) {
  const { stored } = document
  const sheet = useQuery(sheetQuery(stored.id, 'learner', stored.version, JSON.stringify(stored.print)))
  const frame = useRef<HTMLIFrameElement>(null)
  const scrolled = useRef(0)
  const act = useRef(onActive)
  act.current = onActive
  const mark = () => {
    const inside = frame.current?.contentDocument
    if (!inside) return
    for (const one of inside.querySelectorAll<HTMLElement>('.question')) {
      one.style.outline = one.id === active || one.id.startsWith(`${active} `) ? '2px solid #0e6a5b' : ''
      one.style.outlineOffset = '6px'
    }
    const here = active ? inside.getElementById(active) : null
    here?.scrollIntoView({ block: 'nearest' })
  }
  useEffect(mark, [active])
  if (sheet.isPending) return <Waiting text={texts.loading} />
  if (sheet.isError) return <Message look="problem">{sheet.error.message}</Message>
  return (
    <iframe
      ref={frame}
      title={texts.assembly.sheetOf({ title: stored.title })}
      sandbox="allow-same-origin"
      srcDoc={sheet.data}
      className="h-full w-full border-0 bg-white"
      onLoad={() => {
        // A change of the assessment is no reason to lose one's place on the sheet.
        frame.current?.contentWindow?.scrollTo(0, scrolled.current)
        mark()
        frame.current?.contentWindow?.addEventListener('scroll', () => {
          scrolled.current = frame.current?.contentWindow?.scrollY ?? 0
        })
        frame.current?.contentDocument?.addEventListener('click', (event) => {
          const question = (event.target as HTMLElement).closest('.question')
          if (question) act.current(question.id.split(' ')[0] ?? '') // what was drawn leads to its draw
        })
      }}
    />
  )
}
