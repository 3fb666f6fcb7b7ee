const questions = (n: number) => (n === 1 ? '1 question' : `${n.toLocaleString('en-GB')} questions`)

/** What is said on the desk, where a day begins. */
export const home = {
  title: 'Desk',
  begun: 'Go on with what you began',
  begunNothing: 'Nothing is begun and not saved.',
  untitled: { question: 'A question without a title', stimulus: 'A stimulus without a title' } as Record<string, string>,
  recent: 'Saved by you lately',
  recentNothing: 'You have saved nothing in the last 30 days.',
  waiting: 'What wants putting in order',
  waitingNothing: 'Nothing waits in the banks you write in.',
  in_review: (n: number) => `${questions(n)} in review`,
  incomplete: (n: number) => `${questions(n)} not complete`,
  failing: (n: number) => (n === 1 ? '1 question with a specimen that does not hold' : `${questions(n)} with specimens that do not hold`),
  drafts: (n: number) => (n === 1 ? '1 draft that is complete' : `${n.toLocaleString('en-GB')} drafts that are complete`),
  untopiced: (n: number) => `${questions(n)} without a topic`,
  unnamed: (n: number) => (n === 1 ? '1 question whose name says nothing' : `${questions(n)} whose names say nothing`),
  intakes: 'Brought in, waiting for your review',
  changed: 'Changed by others in your banks',
  changedNothing: 'Nobody else has changed anything in the last 30 days.',
  change: (person: string, note: string) => (note === '' ? person : `${person}: ${note}`),
}
