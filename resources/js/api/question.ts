import type * as schema from './schema'
/** The question as core/schema/question.json says; only what the screens touch is typed closely. */
export type Feedback = schema.Feedback
export type Rule<On = unknown> = { id: string; on: On; credit: string; feedback?: Feedback; note?: string }
export type Part = schema.Part
export type Rubric = schema.Rubric
export type Criterion = schema.Criterion
export type RubricLevel = schema.RubricLevel
export type CriterionMarks = schema.CriterionMarks
export type Marks = schema.Marks
export type ModelAnswer = schema.ModelAnswer
export type PartMarking = schema.PartMarking
export type Hint = schema.Hint
export type Specimen = schema.Specimen
export type RecordJson = schema.RecordJson
export type QuestionJson = schema.QuestionJson
export type Roll = schema.VariableRoll
export type Finding = schema.Finding
/** Text, or [name, attributes, ...children]. */
export type TreeNode = schema.RichTextNode
export type Presentation = schema.Presentation
export type ShownFeedback = schema.ShownFeedback
export type Result = schema.ScoreResult
export type Responses = schema.Responses
