import { texts } from '@/messages'

/** The sentence of whatever was thrown. */
export const plainProblem = (thrown: unknown): string =>
  thrown instanceof Error && thrown.message !== '' ? thrown.message : texts.problem.title
