import { useMemo, useRef, useState } from 'react'
import { htmlTree } from './htmlTree'
import { useMediaDesk } from './media'
import { RichTree } from './RichTree'
import { SafeEditor } from './SafeEditor'

type Props = React.ComponentProps<typeof SafeEditor>

/** A rich text that becomes an editor when it is gone into: a question with forty options needs no eighty editors. */
export function LazyRich(props: Props) {
  const [editing, setEditing] = useState(props.autoFocus === true)
  const desk = useMediaDesk()
  const nodes = useMemo(() => (editing ? [] : htmlTree(props.value)), [editing, props.value])
  const pressed = useRef<{ left: number; top: number } | null>(null)
  const still = (
    // biome-ignore lint/a11y/useSemanticElements: what stands here is rich text, which no textarea holds
    <div
      role="textbox"
      tabIndex={0}
      aria-label={props.label}
      aria-multiline={props.onEnter ? 'false' : 'true'}
      onPointerDown={(event) => {
        pressed.current = { left: event.clientX, top: event.clientY }
      }}
      onFocus={() => setEditing(true)}
      className={`question-text min-h-7 cursor-text ${props.className ?? ''}`}
    >
      {props.value === '' ? (
        <span className="text-quiet">{props.placeholder}</span>
      ) : (
        <RichTree nodes={nodes} media={props.view?.media ?? desk?.address} />
      )}
    </div>
  )
  return editing ? <SafeEditor {...props} autoFocus focusAt={pressed.current} /> : still
}
