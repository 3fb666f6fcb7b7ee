/** The question as core/schema/question.json says; only what the screens touch is typed closely. */
export type Feedback = '' | { html: string; show?: 'during' | 'after' | 'both' }
export type Rule<On = unknown> = { id: string; on: On; credit: string; feedback?: Feedback; note?: string }
export type Part = {
  id: string
  kind: string
  label?: string
  points: number
  settings?: Record<string, unknown>
  key?: { rules?: Rule[]; default?: string }
  scoring?: Record<string, unknown>
  feedback?: Record<string, Feedback>
}
export type Hint = { id: string; html: string; cost?: string }
export type Specimen = {
  id: string
  response: Responses
  score: string
  seed?: number
  earlier_wrong?: number
  hints?: number
  note?: string
}
export type RecordJson = {
  topics?: string[][]
  tags?: string[]
  author?: string
  status?: string
  specimens?: Specimen[]
  licence?: string
  level?: string
  source?: string
  notes?: string
  purpose?: string[]
  difficulty?: number | null
  minutes?: number | null
  origin?: { identifier?: string } | null
}
export type QuestionJson = {
  format: 'wide-quarry/question'
  version: 1
  id: string
  title: string
  language: string
  body: string
  stimuli?: string[]
  parts: Part[]
  variables?: { list: { name: string }[] } | null
  normalise?: Record<string, string>
  scoring?: Record<string, unknown>
  feedback?: Record<string, Feedback>
  hints?: Hint[]
  attempts?: { allowed?: number | null; cost?: string }
  record?: RecordJson
}
export type Roll = { values: Record<string, { value: string | boolean; written: string }> }
export type Finding = { code: string; severity: 'blocking' | 'warning'; path: string; message: string; details: Record<string, unknown> }
/** Text, or [name, attributes, ...children]. */
export type TreeNode = string | [string, Record<string, string>, ...unknown[]]
export type Presentation = {
  language: string
  seed: number
  body: TreeNode[]
  stimuli: TreeNode[][]
  parts: { id: string; kind: string; label: string; settings: Record<string, unknown> }[]
  hints: number
  attempts: number | null
}
export type ShownFeedback = { of: string; show: string; body: TreeNode[] }
export type Result = {
  score: number
  exact: string
  max: number
  state: string
  counts: boolean
  needs_marking: boolean
  parts: {
    id: string
    state: string
    credit: string
    score: string
    points: number
    matched: string[]
    trace: ({ step: string } & Record<string, unknown>)[]
    feedback: ShownFeedback[]
  }[]
  feedback: ShownFeedback[]
  trace: ({ step: string } & Record<string, unknown>)[]
}
export type Responses = Record<string, Record<string, unknown>>
