import { useState } from 'react'
import { type Figure, type Ground, isTyped, made, placesOf, type Spot } from './graph'

const MOST_STEPS = 100

/**
 * Drawing with one tool at a time: places are put down until they make a figure. What was drawn can be undone step by step.
 *
 * @param figures what stands there now
 */
export function useDrawing(ground: Ground, figures: Figure[], max: number | null, onFigures: (figures: Figure[]) => void) {
  const [picked, setTool] = useState('')
  const tool = ground.tools.includes(picked) ? picked : (ground.tools.find((one) => !isTyped(one)) ?? ground.tools[0] ?? 'point')
  const [places, setPlaces] = useState<Spot[]>([])
  const [wished, setDashed] = useState(false)
  const dashed = ground.dashes || tool === 'inequality' ? wished : null
  const [ends, setEnds] = useState(['closed', 'closed'])
  const [past, setPast] = useState<Figure[][]>([])
  const isLine = ground.surface === 'line'
  const isFull = max !== null && max !== 1 && figures.length >= max
  const put = (next: Figure[]) => {
    setPast([...past.slice(-MOST_STEPS), figures])
    onFigures(next)
  }
  const add = (figure: Figure) => {
    put(max === 1 ? [figure] : [...figures, figure])
    setPlaces([])
  }
  const last = places.at(-1)
  return {
    tool,
    places,
    dashed: dashed === true,
    /** How what is drawn now is drawn; null where there is no choice. */
    style: dashed,
    ends,
    isLine,
    isFull,
    pick: (next: string) => {
      setTool(next)
      setPlaces([])
    },
    setDashed,
    setEnds,
    /** One more place. Gives the figure that it finished. */
    place: (spot: Spot): Figure | null => {
      if (isFull || isTyped(tool)) return null
      const closes = tool === 'polygon' && places.length >= 3 && places[0]?.x === spot.x && places[0]?.y === spot.y
      const again = last?.x === spot.x && last?.y === spot.y
      if (again && !(placesOf[tool] === null && places.length > 1)) return null
      const next = closes || again ? places : [...places, spot]
      const whole = placesOf[tool] === null ? closes || again : next.length === placesOf[tool]
      const figure = whole ? made(tool, next, dashed, ends, isLine) : null
      if (figure) add(figure)
      else setPlaces(next)
      return figure
    },
    /** Takes the last place back. */
    back: () => setPlaces(places.slice(0, -1)),
    cancel: () => setPlaces([]),
    canFinish: placesOf[tool] === null && made(tool, places, dashed, ends, isLine) !== null,
    finish: () => {
      const figure = made(tool, places, dashed, ends, isLine)
      if (figure) add(figure)
      return figure
    },
    add,
    change: (at: number, figure: Figure) => put(figures.map((one, i) => (i === at ? figure : one))),
    remove: (at: number) => put(figures.filter((_, i) => i !== at)),
    clear: () => {
      put([])
      setPlaces([])
    },
    canUndo: past.length > 0 || places.length > 0,
    undo: () => {
      const before = past.at(-1)
      if (places.length > 0) setPlaces(places.slice(0, -1))
      else if (before) {
        setPast(past.slice(0, -1))
        onFigures(before)
      }
    },
  }
}
export type Drawing = ReturnType<typeof useDrawing>
