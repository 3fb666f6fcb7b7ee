import { choice } from './choice'
import type { PartView } from './definePart'
import { group } from './group'
import { match } from './match'
import { menu } from './menu'
import { number } from './number'
import { text } from './text'
import { tiles } from './tiles'

/** The kinds the interface can draw. A new kind is one folder and one line here. */
export const parts: PartView[] = [choice, text, number, menu, tiles, match, group]

export const partView = (kind: string): PartView | undefined => parts.find((view) => view.kind === kind)
