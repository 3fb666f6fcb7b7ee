import { choice } from './choice'
import type { PartView } from './definePart'
import { number } from './number'
import { text } from './text'

/** The kinds the interface can draw. A new kind is one folder and one line here. */
export const parts: PartView[] = [choice, text, number]

export const partView = (kind: string): PartView | undefined => parts.find((view) => view.kind === kind)
