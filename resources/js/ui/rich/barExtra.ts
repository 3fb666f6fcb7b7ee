import type { Editor } from '@tiptap/core'
import { createContext, type ReactNode } from 'react'

/** What the page around adds to the small bar of every text on it. */
export const BarExtra = createContext<((editor: Editor) => ReactNode) | null>(null)
