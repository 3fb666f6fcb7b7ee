type Stimulus = { id: string; title: string }
/** A stimulus above a question: for which questions it stands there, or above which it stood already. */
export type SharedRun = Stimulus & { from: number; to: number; again: number | null }

/**
 * What stands above each question while the outline is being arranged: once above neighbours, as the printed sheet has it
 * (core Stimulus\\Runs, which is what counts; this follows every move at once).
 */
export function sharedRuns(sections: Stimulus[][][]): SharedRun[][] {
  const runs: SharedRun[][] = []
  const shown = new Map<string, number>()
  for (const questions of sections) {
    const has = (at: number, id: string) => questions[at]?.some((one) => one.id === id) ?? false
    questions.forEach((stimuli, at) => {
      const number = runs.length + 1
      const here: SharedRun[] = []
      for (const { id, title } of stimuli) {
        let to = number
        while (has(at + to - number + 1, id)) to++
        const of = shown.get(id)
        if (of === undefined) {
          shown.set(id, number)
          here.push({ id, title, from: number, to, again: null })
        } else if (!has(at - 1, id)) here.push({ id, title, from: number, to, again: of })
      }
      runs.push(here)
    })
  }
  return runs
}
