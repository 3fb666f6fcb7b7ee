import '@testing-library/jest-dom/vitest'
import { cleanup } from '@testing-library/react'
import { afterEach } from 'vitest'

// jsdom draws nothing, so it has no rectangles; an editor asks for them when it scrolls to its cursor.
const nowhere = () => Object.assign([new DOMRect()], { item: () => new DOMRect() }) as unknown as DOMRectList
Range.prototype.getClientRects ??= nowhere
Range.prototype.getBoundingClientRect ??= () => new DOMRect()

afterEach(cleanup)
