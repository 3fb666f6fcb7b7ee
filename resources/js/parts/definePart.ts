import type { ComponentType } from 'react'
import type { Feedback, Part, QuestionJson, Result, Rule, TreeNode } from '@/api/question'

export type LearnerProps = {
  part: { id: string; label: string; settings: Record<string, unknown> }
  response: Record<string, unknown> | undefined
  onChange: (response: Record<string, unknown>) => void
  disabled?: boolean
  /** The part of the question itself when the key is to be seen. */
  keyOf?: Part | undefined
  result?: Result['parts'][number] | undefined
  media?: (id: string) => string
}

export type EditorProps = {
  part: Part
  /** `place` names what was changed, so that typing in one field is one step of undo. */
  onChange: (part: Part, place: string) => void
  problem: (path: string) => string | undefined
  media: (id: string) => string
}

export type FromWord = (question: QuestionJson, word: string, begin: () => Part) => GapMade

/** A question in which a word became a gap. */
export type GapMade = {
  /** The question with the part that asks for the word; its text still has the word. */
  question: QuestionJson
  /** What stands in the text instead of the word. */
  node: { type: 'partInline'; attrs: { id: string } } | { type: 'gap'; attrs: { id: string; of: string } }
  /** A part whose place goes to the end of the text. */
  block: string | null
}

/** One kind of part in the interface, mirroring core/src/Parts. */
export type PartView = {
  kind: string
  inline: boolean
  /** A part to begin with. */
  fresh: (id: string) => Part
  /** What the learner answers with. */
  Learner: ComponentType<LearnerProps>
  /** The key in words, below the question. Empty where the learner's view shows it. */
  Key: ComponentType<{ part: Part }>
  /** The sign by which a learner knows what a rule is about, where there is one. */
  ruleSign?: (rule: Rule | undefined, settings: Record<string, unknown>) => string | undefined
  /** A rule by the words of what it is about, where it has no sign. */
  ruleNamed?: (rule: Rule, settings: Record<string, unknown>) => string
  /** What learners can be told beside the feedback of rules and of the part; mirrors PartKind::remarks. */
  remarks?: (part: Part) => { about: string; feedback: Feedback | undefined }[]
  /** What stands in a gap of the text that belongs to the part. */
  Gap?: ComponentType<LearnerProps & { gap: string }>
  /** What is right, in a few words: in a gap of the text, or in the place of the part. */
  answer?: (part: Part, gap?: string) => string
  /** A response in a few words. */
  said: (response: Record<string, unknown>, part: Part) => string
  /** Whether several parts of the kind can share one key; mirrors PartKind::canShareAnswers. */
  canShareAnswers?: boolean
  /** Whether true–false questions of the kind can be joined into one list of statements. */
  joinsStatements?: boolean
  /** Turns a word of the text into a gap that asks for it. Missing where the kind cannot stand in a line. */
  fromWord?: FromWord
  /** What the author sets. */
  Editor: ComponentType<EditorProps>
}

export const definePart = (view: PartView): PartView => view

export type OptionShown = { id: string; body: TreeNode[] }

/** What of a response was right and what was not, as the trace of a result says it. */
export function judged(result: LearnerProps['result']): { right: [string, string][]; wrong: [string, string][] } | null {
  const step = result?.trace.find((one) => one.step === 'pairs.judged')
  return step ? { right: step.right as [string, string][], wrong: step.wrong as [string, string][] } : null
}
