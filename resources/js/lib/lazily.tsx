import { type ComponentType, type ReactNode, Suspense } from 'react'
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
  // biome-ignore lint/correctness/noComponentHookFactories: called once for each component, at the top of a module
  const Lazily = (props: object) => (
    <Suspense fallback={fallback}>
      <Part {...props} />
    </Suspense>
  )
  return Lazily as ReturnType<typeof lazily<Module, Name>>
}

/** A module that is wanted when something is done: fetched then, or before that when nothing else is to do. */
export function later<Module>(load: () => Promise<Module>): () => Promise<Module> {
  loads.push(load)
  return load
}

/** Fetches what may be shown next, so that it opens at once, without a connection too. */
export function loadAhead() {
  for (const load of loads) load().catch(() => undefined) // asked for again when it is shown
}
