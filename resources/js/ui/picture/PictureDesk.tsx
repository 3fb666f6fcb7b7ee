import { type KeyboardEvent, useState } from 'react'
import { texts } from '@/messages'
import { DeskBar } from './DeskBar'
import { deskKey } from './deskKeys'
import { InMaking } from './InMaking'
import { NameHere } from './NameHere'
import type { PartPicture } from './picture'
import { lined } from './snap'
import { ThingShown } from './ThingShown'
import { around, type Form, formBox, formFresh, formShifted, isArea, marksOf, type Thing, type Tool, within } from './things'
import { useGesture } from './useGesture'
import { useStage } from './useStage'
import { useZoom } from './zoom'

const words = texts.picture
type Props = {
  picture: PartPicture
  src: string
  label: string
  things: Thing[]
  tools: Exclude<Tool, 'select'>[]
  selected: string[]
  onSelect: (ids: string[]) => void
  onForms: (forms: Map<string, Form>, place: string) => void
  /** Told where it was drawn; made of nothing, by key, it lies in the middle. */
  onAdd: (form: Form, byKey: boolean) => string
  onRemove: (ids: string[]) => void
  onDuplicate: (ids: string[]) => void
  /** What is typed right on the picture once something is drawn. */
  naming: Naming
}

export type Naming = { label: string; of: (id: string) => string; onName: (id: string, name: string) => void }

/** A picture to draw on: areas and targets are drawn, moved, reshaped, lined up; everything also by keys. */
export function PictureDesk(props: Props) {
  const { picture, src, things, selected, onSelect, onForms } = props
  const [tool, setTool] = useState<Tool>('select')
  const [zoom, setZoom] = useState(1)
  const [space, setSpace] = useState(false)
  const [said, setSaid] = useState('')
  const [naming, setNaming] = useState<string | null>(null)
  const { ref, element, unit } = useStage(picture)
  const scroll = useZoom(zoom, setZoom)
  const gesture = useGesture({
    stage: element,
    size: picture,
    unit,
    things,
    tool,
    selected,
    onSelect,
    onForms,
    onAdd: (form) => {
      setNaming(props.onAdd(form, false))
      setTool('select')
    },
  })
  const shown = things.map((thing) => {
    const form = gesture.live.get(thing.id)
    return form ? { ...thing, form } : thing
  })
  const marks = marksOf(shown, unit)
  const chosen = things.filter((one) => selected.includes(one.id))
  const stop = chosen[0]?.id ?? things[0]?.id
  const leave = () => {
    if (naming !== null) requestAnimationFrame(() => focus(naming))
    setNaming(null)
  }
  const focus = (id: string) =>
    element.current?.querySelector<SVGElement>(`[data-thing="${CSS.escape(id)}"]`)?.focus({ preventScroll: true })

  const by = (dx: number, dy: number) => {
    if (chosen.length === 0) return
    const [x, y] = within(around(chosen.map((one) => formBox(one.form))), picture, dx, dy)
    const forms = new Map(chosen.map((one) => [one.id, formShifted(one.form, x, y)]))
    onForms(forms, `${selected.join(' ')} keys`)
    const first = forms.get(chosen[0]?.id ?? '')
    if (first) {
      const box = formBox(first)
      setSaid(words.nowAt({ x: Math.round(isArea(first) ? box.left : first.at.x), y: Math.round(isArea(first) ? box.top : first.at.y) }))
    }
  }
  const keys = (event: KeyboardEvent) => {
    if (!deskKey(event, { tool, gesture, focus, by, setTool, setSpace, setNaming, ...props })) return
    event.preventDefault()
    event.stopPropagation()
  }
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: keys of the things inside come up to here
    <div onKeyDown={keys} onKeyUp={(event) => (event.key === ' ' ? setSpace(false) : undefined)}>
      <DeskBar
        tools={props.tools}
        tool={tool}
        onTool={(one, byKey) => {
          // pressed by key it cannot be drawn: it is put into the middle, to be moved by keys
          if (one !== 'select' && byKey) props.onAdd(formFresh(one, picture, things.length), true)
          else {
            gesture.cancel()
            setTool(one)
          }
        }}
        count={chosen.length}
        onDuplicate={() => props.onDuplicate(selected)}
        onRemove={() => props.onRemove(selected)}
        onAlign={(how) => {
          const moves = lined(
            chosen.map((one) => formBox(one.form)),
            how,
          )
          onForms(
            new Map(chosen.map((one, i) => [one.id, formShifted(one.form, Math.round(moves[i]?.dx ?? 0), Math.round(moves[i]?.dy ?? 0))])),
            '',
          )
        }}
        zoom={zoom}
        onZoom={setZoom}
      />
      <div ref={scroll} data-scroll="" className="max-h-[62vh] overflow-auto bg-well p-3">
        <div
          className="relative mx-auto"
          style={{
            width: `calc(min(100%, ${Math.max(picture.width, 480)}px, ${((56 * picture.width) / picture.height).toFixed(2)}vh) * ${zoom})`,
            aspectRatio: `${picture.width} / ${picture.height}`,
          }}
        >
          <img src={src} alt={picture.alt} draggable={false} className="absolute inset-0 size-full select-none bg-[#fff]" />
          {/* biome-ignore lint/a11y/useSemanticElements: a drawing cannot be a fieldset */}
          <svg
            ref={ref}
            tabIndex={-1}
            role="group"
            aria-label={props.label}
            viewBox={`0 0 ${picture.width} ${picture.height}`}
            className={`absolute inset-0 size-full overflow-visible ${space ? 'cursor-grab' : tool === 'select' ? '' : 'cursor-crosshair'}`}
            style={{ touchAction: tool === 'select' ? 'manipulation' : 'none' }}
            onPointerDown={(event) => {
              // keys go to what is drawn; a thing takes the focus itself
              if (event.target instanceof Element && (tool !== 'select' || !event.target.closest('[data-thing]')))
                event.currentTarget.focus({ preventScroll: true })
              gesture.on.begin(event, space)
            }}
            onPointerMove={gesture.on.move}
            onPointerUp={gesture.on.end}
            onPointerCancel={gesture.cancel}
            onDoubleClick={(event) => {
              if (gesture.corners.length > 0) gesture.closePolygon(gesture.corners)
              else if (tool === 'select' && event.target instanceof Element)
                setNaming(event.target.closest<SVGElement>('[data-thing]')?.dataset.thing ?? null)
            }}
          >
            {/* the first is tried first, so it lies on top */}
            {[...shown].reverse().map((thing) => (
              <ThingShown
                key={thing.id}
                thing={thing}
                markX={marks.get(thing.id)?.x ?? 0}
                markY={marks.get(thing.id)?.y ?? 0}
                unit={unit}
                selected={selected.includes(thing.id)}
                isStop={thing.id === stop}
                label={words.thing({
                  n: thing.number,
                  name: thing.name === '' ? 'no' : thing.name,
                  kind: isArea(thing.form) ? thing.form.shape : 'target',
                })}
              />
            ))}
            <InMaking {...gesture} size={picture} unit={unit} />
          </svg>
          <NameHere key={naming} thing={things.find((one) => one.id === naming)} size={picture} naming={props.naming} onDone={leave} />
        </div>
      </div>
      <p role="status" className="sr-only">
        {said}
      </p>
      <p className="border-hairline border-b px-3 py-1 text-caption text-quiet">
        {gesture.corners.length > 0 ? words.polygonHint : tool === 'select' ? words.keysHint : words.hints[tool]}
      </p>
    </div>
  )
}
