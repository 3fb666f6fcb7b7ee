type Stimulus = { id: string; title: string }
/** A stimulus above a question: for which questions it stands there, or above which it stood already. */
export type SharedRun = Stimulus & { from: number; to: number; again: number | null }

/**
 * What stands above each question while the outline is being arranged: once above neighbours, as the printed sheet has it
 * (core Stimulus\\Runs, which is what counts; this follows every move at once). A page of text (null) is not numbered
 * and parts neighbours; a draw of n questions (a number) parts them too.
 */
export function sharedRuns(sections: (Stimulus[] | number | null)[][]): SharedRun[][] {
  const runs: SharedRun[][] = []
  const shown = new Map<string, number>()
  let number = 0
  for (const questions of sections) {
    const at = (place: number) => {
      const here = questions[place]
      return Array.isArray(here) ? here : []
    }
    const has = (place: number, id: string) => at(place).some((one) => one.id === id)
    questions.forEach((entry, place) => {
      const here: SharedRun[] = []
      if (entry !== null) number += typeof entry === 'number' ? entry : 1
      for (const { id, title } of at(place)) {
        let more = 0
        while (has(place + more + 1, id)) more++
        const of = shown.get(id)
        const run = { id, title, from: number, to: number + more }
        if (of === undefined) {
          shown.set(id, number)
          here.push({ ...run, again: null })
        } else if (!has(place - 1, id)) here.push({ ...run, again: of })
      }
      runs.push(here)
    })
  }
  return runs
}
