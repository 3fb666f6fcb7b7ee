import { amend } from './amend'
import { choice } from './choice'
import type { PartView } from './definePart'
import { group } from './group'
import { highlight } from './highlight'
import { match } from './match'
import { menu } from './menu'
import { number } from './number'
import { order } from './order'
import { slider } from './slider'
import { survey } from './survey'
import { text } from './text'
import { tiles } from './tiles'

/** The kinds the interface can draw. A new kind is one folder and one line here. */
export const parts: PartView[] = [choice, text, number, menu, tiles, match, group, order, highlight, amend, slider, survey]

export const partView = (kind: string): PartView | undefined => parts.find((view) => view.kind === kind)
