import { type ComponentType, memo, type ReactNode, Suspense } from 'react'
import { lazyAgain } from './lazyAgain'

const loads: (() => Promise<unknown>)[] = []

/** A dialog or pane that a screen begins without: its code comes when it is first shown, or before that when nothing else is to do. */
export function lazily<Module, Name extends keyof Module>(
  load: () => Promise<Module>,
  name: Name,
  fallback: ReactNode = null,
): Module[Name] extends ComponentType<infer Props> ? ComponentType<Props> : never {
  const part = () => load().then((module) => ({ default: module[name] as ComponentType<object> }))
  const Part = lazyAgain(part)
  loads.push(part)
  // A pane is drawn again only when what it is told changes, not with the screen around it.
  // biome-ignore lint/correctness/noComponentHookFactories: called once for each component, at the top of a module
  const Lazily = memo((props: object) => (
    <Suspense fallback={fallback}>
      <Part {...props} />
    </Suspense>
  ))
  return Lazily as unknown as ReturnType<typeof lazily<Module, Name>>
}

/** A module that is wanted when something is done: fetched then, or before that when nothing else is to do. */
export function later<Module>(load: () => Promise<Module>): () => Promise<Module> {
  loads.push(load)
  return load
}

/** So long nobody is to have pressed anything, in ms: some modules take the page 100 ms to read. */
const QUIET = 1000
let pressed = 0

/** Until nobody types and the page has nothing to do. */
async function resting() {
  for (let left = pressed + QUIET - performance.now(); left > 0; left = pressed + QUIET - performance.now())
    await new Promise((rest) => setTimeout(rest, left))
  // where a browser cannot say that it rests, a moment
  await new Promise<void>((rest) =>
    'requestIdleCallback' in window ? requestIdleCallback(() => rest(), { timeout: QUIET }) : setTimeout(rest, 50),
  )
}

/**
 * Fetches what may be shown next, so that it opens at once, without a connection too: one after another, and not while somebody types.
 */
export async function loadAhead(first: (() => Promise<unknown>)[]) {
  const press = () => {
    pressed = performance.now()
  }
  for (const event of ['keydown', 'pointerdown']) addEventListener(event, press, { capture: true, passive: true })
  for (const load of [...first, ...loads]) {
    await resting()
    await load().catch(() => undefined) // asked for again when it is shown
  }
  for (const event of ['keydown', 'pointerdown']) removeEventListener(event, press, { capture: true })
}
