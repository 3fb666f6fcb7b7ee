import { useMemo, useRef } from 'react'
import { editable } from './canEdit'
import { htmlTree } from './htmlTree'
import { useMediaDesk } from './media'
import { RichEditor } from './RichEditor'
import { RichTree } from './RichTree'

/** The editor; blocks it would not give back whole stand in it as they are. A text it cannot hold at all is shown, and left as it is. */
export function SafeEditor(props: React.ComponentProps<typeof RichEditor> & { keptNote?: string }) {
  const desk = useMediaDesk()
  // What the editor said itself needs no looking at, with every letter.
  const said = useRef<string | null>(null)
  const own = props.value === said.current
  const looked = useMemo(() => (own ? null : editable(props.value)), [own, props.value])
  const value = own ? props.value : looked
  if (value !== null)
    return (
      <RichEditor
        {...props}
        value={value}
        onChange={(html, isStep) => {
          said.current = html
          props.onChange(html, isStep)
        }}
      />
    )
  return (
    <section aria-label={props.label} className="question-text">
      {props.keptNote ? <p className="font-sans text-caption text-attention">{props.keptNote}</p> : null}
      <RichTree nodes={htmlTree(props.value)} media={props.view?.media ?? desk?.address} />
    </section>
  )
}
