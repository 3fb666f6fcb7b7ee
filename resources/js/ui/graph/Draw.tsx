import { useState } from 'react'
import type { DrawnFigure } from '@/api/graphs'
import { Board } from './Board'
import { FigureList } from './FigureList'
import type { Figure, Ground } from './graph'
import { Tools } from './Tools'
import { useDrawing } from './useDrawing'

type Props = {
  ground: Ground
  figures: Figure[]
  drawn: (DrawnFigure | undefined)[]
  label: string
  onFigures: (figures: Figure[]) => void
  media: (id: string) => string
  disabled?: boolean
  below?: string
  tones?: (string | undefined)[]
  /** Whether the figures are listed here, or somewhere else. */
  listed?: boolean
}

/** A grid with its tools and the figures on it. */
export function Draw({ ground, figures, drawn, label, onFigures, media, disabled = false, below, tones = [], listed = true }: Props) {
  const drawing = useDrawing(ground, figures, ground.max, onFigures)
  const [zoom, setZoom] = useState(1)
  const [said, setSaid] = useState('')
  return (
    <div className="flex flex-col gap-2">
      {disabled ? null : (
        <Tools tools={ground.tools} dashes={ground.dashes} drawing={drawing} axis={ground.x} zoom={zoom} onZoom={setZoom} />
      )}
      <Board
        ground={ground}
        drawing={drawing}
        figures={figures}
        drawn={drawn.map((one) => one?.svg)}
        {...(below ? { below } : {})}
        label={label}
        disabled={disabled}
        zoom={zoom}
        media={media}
        say={setSaid}
      />
      <p role="status" className="sr-only">
        {said} {drawn.at(-1)?.words ?? ''}
      </p>
      {listed ? (
        <FigureList
          figures={figures}
          drawn={drawn}
          disabled={disabled}
          tones={tones}
          isLine={drawing.isLine}
          onChange={drawing.change}
          onRemove={drawing.remove}
        />
      ) : null}
    </div>
  )
}
