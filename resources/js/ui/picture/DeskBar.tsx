import { Circle, Copy, Maximize, Minus, MousePointer2, Pentagon, Plus, Square, Tag, Trash2 } from 'lucide-react'
import type { ReactNode } from 'react'
import { texts } from '@/messages'
import { Align } from './Align'
import type { Lining } from './snap'
import type { Tool } from './things'
import { ZOOMS, zoomed } from './zoom'

const words = texts.picture
const icons = { select: MousePointer2, rectangle: Square, circle: Circle, ellipse: Circle, polygon: Pentagon, target: Tag }
const look =
  'inline-flex min-h-8 min-w-8 items-center justify-center gap-1.5 rounded-ui px-1.5 text-second hover:bg-well ' +
  'aria-pressed:bg-accent-tint aria-pressed:text-accent aria-disabled:opacity-45'

type Props = {
  tools: Exclude<Tool, 'select'>[]
  tool: Tool
  onTool: (tool: Tool, byKey: boolean) => void
  /** How many things are selected. */
  count: number
  onDuplicate: () => void
  onRemove: () => void
  onAlign: (how: Lining) => void
  zoom: number
  onZoom: (zoom: number) => void
}

/** What to draw with, what to do with what is selected, how large it is shown. */
export function DeskBar(props: Props) {
  const { count, zoom, onZoom } = props
  const line = <span className="mx-1 h-5 border-hairline border-l" />
  return (
    <div role="toolbar" aria-label={words.tools} className="flex flex-wrap items-center gap-0.5 border-hairline border-b px-2 py-1">
      {(['select', ...props.tools] as Tool[]).map((one) => {
        const Icon = icons[one]
        return (
          <button
            key={one}
            type="button"
            aria-pressed={props.tool === one}
            title={words.hints[one]}
            className={look}
            onClick={(event) => props.onTool(one, event.detail === 0)}
          >
            <Icon size={16} aria-hidden="true" className={one === 'ellipse' ? 'scale-y-70' : ''} />
            <span className="max-sm:sr-only">{words.toolNames[one]}</span>
          </button>
        )
      })}
      {line}
      <Press name={words.duplicate} icon={<Copy size={16} aria-hidden="true" />} press={props.onDuplicate} off={count === 0} />
      <Press name={words.remove} icon={<Trash2 size={16} aria-hidden="true" />} press={props.onRemove} off={count === 0} />
      <Align count={count} className={look} onAlign={props.onAlign} />
      {line}
      <Press
        name={words.smaller}
        icon={<Minus size={16} aria-hidden="true" />}
        press={() => onZoom(zoomed(zoom, -1))}
        off={zoom === ZOOMS[0]}
      />
      <span className="w-12 text-center text-caption text-second">{words.zoom({ n: zoom })}</span>
      <Press
        name={words.larger}
        icon={<Plus size={16} aria-hidden="true" />}
        press={() => onZoom(zoomed(zoom, 1))}
        off={zoom === ZOOMS.at(-1)}
      />
      <Press name={words.fit} icon={<Maximize size={16} aria-hidden="true" />} press={() => onZoom(1)} off={zoom === 1} />
    </div>
  )
}

function Press({ name, icon, press, off }: { name: string; icon: ReactNode; press: () => void; off: boolean }) {
  return (
    <button type="button" aria-label={name} title={name} aria-disabled={off} className={look} onClick={() => (off ? undefined : press())}>
      {icon}
    </button>
  )
}
