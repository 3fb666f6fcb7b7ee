import { call } from './client'
import type * as schema from './schema'

export type DrawnFigure = schema.DrawnFigure

/** A grid and figures on it, drawn and in words. */
export const drawnGraph = async (asked: Record<string, unknown>) =>
  (await call<schema.Answers['POST /graphs']>('POST', '/graphs', asked)).body
