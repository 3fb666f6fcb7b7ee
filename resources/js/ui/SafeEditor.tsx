import { useState } from 'react'
import { canEdit } from './canEdit'
import { htmlTree } from './htmlTree'
import { useMediaDesk } from './media'
import { RichEditor } from './RichEditor'
import { RichTree } from './RichTree'

/** The editor, but for a text it would not give back whole: that is shown, and left as it is. */
export function SafeEditor(props: React.ComponentProps<typeof RichEditor> & { keptNote?: string }) {
  const desk = useMediaDesk()
  const [editable] = useState(() => canEdit(props.value))
  if (editable) return <RichEditor {...props} />
  return (
    <section aria-label={props.label} className="question-text">
      {props.keptNote ? <p className="font-sans text-caption text-attention">{props.keptNote}</p> : null}
      <RichTree nodes={htmlTree(props.value)} media={props.view?.media ?? desk?.address} />
    </section>
  )
}
