// Made from the API description by `php artisan api:types`; do not edit.

export type Act = {
  act: string
  kind: string
  bank: string | null
  person: string | null
  state: string
  total: number
  done: number
  changed: number
  left_count: number
  left: Record<string, unknown>[]
  what: Record<string, unknown> | null
  undoes: string | null
  undone: boolean
  may_undo: boolean
  created_at: string
  finished_at: string | null
}

export type Assessment = {
  id: string
  title: string
  version: number
  state: string
  bank: Record<string, unknown>
  may_write: boolean
  content: Record<string, unknown>
  entries: Record<string, unknown>
  totals: Record<string, unknown>
  print: Record<string, unknown>
  updated_at: string
}

export type Bank = {
  id: string
  slug: string
  name: string
  purpose: string
  subject: string
  level: string
  course: string
  term: string
  archived: boolean
  lends: boolean
  team: boolean
  my_role: string
  may_write: boolean
  may_manage: boolean
  question_count: number
  strata: Record<string, unknown>
  shared_with: string[]
  keepers: string[]
  defaults: Record<string, unknown>
  updated_at: string
}

export type Intake = {
  id: string
  title: string
  state: string
  problem: string | null
  files: Record<string, unknown>[]
  found: number
  read: number
  settled: number
  counts: Record<string, unknown>
  coming: Record<string, unknown>
  kinds: Record<string, unknown>
  notices: Record<string, unknown>[]
  bank: Record<string, unknown> | null
  new_bank: string | null
  folder: string[]
  duplicates: string
  regroup: boolean
  groups: Record<string, unknown>[]
  assessments: string[]
  receipts: Record<string, unknown>[]
  created_at: string
}

export type Person = {
  id: string
  name: string
  email: string
  is_administrator: boolean
  second_factor: boolean
  unread: number
}

export type Problem = {
  type: string
  title: string
  status: number
  detail: string
  path: string | null
}

export type Question = {
  id: string
  name: string
  revision: number
  may_write: boolean
  bank: Record<string, unknown>
  question: Record<string, unknown>
  findings: Record<string, unknown>[]
  folders: string[][]
  places: Record<string, unknown>[]
  binned: boolean
  proposed_name: string | null
  uses: Record<string, unknown>
  updated_at: string
}

export type QuestionRow = {
  id: string
  bank: string
  bank_name: string
  title: string
  title_marks: [string, boolean][]
  stem_marks: [string, boolean][]
  found_in: string | null
  found_marks: [string, boolean][] | null
  kinds: string[]
  points: number
  difficulty: number | null
  status: string
  revision: number
  named: boolean
  uses: number
  has_variables: boolean
  is_complete: boolean
  specimens: number
  specimens_failing: number
  tags: string[]
  author: string
  updated_at: string
}

export type StagedRow = {
  id: string
  number: number
  title: string
  stem: string
  kinds: string[]
  points: number
  difficulty: number | null
  status: string
  is_complete: boolean
  has_variables: boolean
  tags: string[]
  skipped: boolean
  decision: string | null
  duplicate_by: string | null
  outcome: string | null
  question_id: string | null
  notices: Record<string, unknown>
}

export type Stimulus = {
  id: string
  name: string
  revision: number
  may_write: boolean
  bank: Record<string, unknown>
  stimulus: Record<string, unknown>
  shown: Record<string, unknown>[]
  findings: Record<string, unknown>[]
  folders: string[][]
  uses: Record<string, unknown>
  binned_at: string | null
  updated_at: string
}
