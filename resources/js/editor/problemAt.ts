import type { Finding } from '@/api/question'

/** What is found at a place of a question, or within it. */
export const problemAt = (findings: Finding[], path: string): string | undefined =>
  findings.find((finding) => finding.path === path || finding.path.startsWith(`${path}/`))?.message
