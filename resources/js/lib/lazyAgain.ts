import { type ComponentType, lazy } from 'react'

/** A part of the application that is loaded when it is needed; asked for once more when the line drops for a moment. */
// biome-ignore lint/suspicious/noExplicitAny: what React's own lazy asks for
export const lazyAgain = <Component extends ComponentType<any>>(load: () => Promise<{ default: Component }>) =>
  lazy(() => load().catch(() => new Promise((wait) => setTimeout(wait, 1000)).then(load)))
