import { MathfieldElement } from 'mathlive'
import 'mathlive/fonts.css'
import { type RefObject, useEffect, useRef } from 'react'

// Its fonts are bundled by the line above; it fetches and plays nothing by itself.
MathfieldElement.fontsDirectory = null
MathfieldElement.soundsDirectory = null
MathfieldElement.plonkSound = null
MathfieldElement.keypressSound = null

type Props = {
  label: string
  value: string
  onChange: (tex: string) => void
  onSubmit: (tex: string) => void
  field: RefObject<MathfieldElement | null>
}

/** A field that is typed in as mathematics is written; in it a value of the question stands in a box. */
export function MathField({ label, value, onChange, onSubmit, field }: Props) {
  const holder = useRef<HTMLDivElement>(null)
  const latest = useRef({ onChange, onSubmit, value })
  latest.current = { onChange, onSubmit, value }
  useEffect(() => {
    const made = new MathfieldElement({ mathVirtualKeyboardPolicy: 'manual' })
    made.className = 'math-field'
    holder.current?.append(made) // before anything is set: until then it has no field
    made.macros = { ...made.macros, val: { args: 1, def: '\\boxed{\\mathrm{#1}}', captureSelection: true } }
    made.value = latest.current.value
    made.addEventListener('input', () => latest.current.onChange(made.getValue('latex')))
    made.addEventListener('keydown', (event) => {
      if (event.key === 'Enter' && !event.shiftKey) {
        event.preventDefault()
        latest.current.onSubmit(made.getValue('latex')) // what was typed last has not come round yet
      }
    })
    made.menuItems = []
    made.focus()
    field.current = made
    return () => {
      field.current = null
      made.remove()
    }
  }, [field])
  useEffect(() => {
    if (field.current) field.current.ariaLabel = label
  }, [field, label])
  useEffect(() => {
    const made = field.current
    if (made && made.getValue('latex') !== value && document.activeElement !== made) made.setValue(value, { silenceNotifications: true })
  }, [field, value])
  return <div ref={holder} />
}
