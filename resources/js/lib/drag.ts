import { draggable, dropTargetForElements, monitorForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import { dropTargetForExternal } from '@atlaskit/pragmatic-drag-and-drop/external/adapter'
import { containsFiles, getFiles } from '@atlaskit/pragmatic-drag-and-drop/external/file'

/** What is dragged: `type` says which places may take it. */
export type Dragged = { type: string } & Record<string, unknown>
/** Where the pointer is in a place, from 0 (top, left) to 1. */
export type At = { x: number; y: number }
type Ref = (element: HTMLElement | null) => (() => void) | undefined

type Source = { data: Dragged; onStart?: () => void; onEnd?: () => void }
type Target = {
  takes: (dragged: Dragged) => boolean
  /** The pointer moves in this place, and in no other within it. */
  onOver?: (at: At, dragged: Dragged) => void
  onLeave?: () => void
  onDrop?: (dragged: Dragged, at: At) => void
}
type FileTarget = { onOver: () => void; onLeave: () => void; onDrop: (files: File[]) => void }

/** `ref={dragSource({ data })}`: the element can be dragged. There must be a way without dragging too (WCAG 2.5.7). */
export const dragSource = lasting<Source>((element, options) =>
  draggable({
    element,
    getInitialData: () => options().data,
    onDragStart: () => options().onStart?.(),
    onDrop: () => options().onEnd?.(),
  }),
)

/** `ref={dropTarget({ takes, onDrop })}`: what is dragged can be dropped on the element. */
export const dropTarget = lasting<Target>((element, options) => {
  type Event = { source: { data: Record<string, unknown> }; location: { current: Location }; self: { element: Element } }
  type Location = { dropTargets: { element: Element }[]; input: { clientX: number; clientY: number } }
  const innermost = ({ location, self }: Event) => location.current.dropTargets[0]?.element === self.element
  const over = (event: Event) => {
    if (innermost(event)) options().onOver?.(placeIn(element, event.location.current.input), event.source.data as Dragged)
  }
  return dropTargetForElements({
    element,
    canDrop: ({ source }) => options().takes(source.data as Dragged),
    onDragEnter: over,
    onDrag: over,
    onDragLeave: () => options().onLeave?.(),
    onDrop: (event) => {
      options().onLeave?.()
      options().onDrop?.(event.source.data as Dragged, placeIn(element, event.location.current.input))
    },
  })
})

/** `ref={fileTarget({ onDrop })}`: files of the computer can be dropped on the element. */
export const fileTarget = lasting<FileTarget>((element, options) =>
  dropTargetForExternal({
    element,
    canDrop: containsFiles,
    onDragEnter: () => options().onOver(),
    onDragLeave: () => options().onLeave(),
    onDrop: ({ source }) => {
      options().onLeave()
      options().onDrop(getFiles({ source }))
    },
  }),
)

/** Called when a drag ends, wherever that is. For an effect: returns what takes it back. */
export const whenDragEnds = (run: () => void) => monitorForElements({ onDrop: run })

/** An element that is dragged and dropped on. */
export const both =
  (first: Ref, second: Ref): Ref =>
  (element) => {
    const undo = [first(element), second(element)]
    return () => {
      for (const one of undo) one?.()
    }
  }

const placeIn = (element: HTMLElement, { clientX, clientY }: { clientX: number; clientY: number }): At => {
  const box = element.getBoundingClientRect()
  return { x: (clientX - box.left) / (box.width || 1), y: (clientY - box.top) / (box.height || 1) }
}

/**
 * Refs made anew with each rendering, but registered once: a drag that is under way must not notice that its element was drawn
 * again. React takes the old ref off and puts the new one on at once, so what is still off a moment later is gone.
 */
function lasting<Options>(register: (element: HTMLElement, options: () => Options) => () => void) {
  const known = new WeakMap<HTMLElement, { options: Options; on: boolean; undo: () => void }>()
  return (options: Options): Ref =>
    (element) => {
      if (!element) return
      const entry = known.get(element) ?? { options, on: true, undo: () => undefined }
      entry.options = options
      entry.on = true
      if (!known.has(element)) {
        known.set(element, entry)
        entry.undo = register(element, () => entry.options)
      }
      return () => {
        entry.on = false
        queueMicrotask(() => {
          if (entry.on) return
          entry.undo()
          known.delete(element)
        })
      }
    }
}
