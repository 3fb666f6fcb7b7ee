const questions = (n: number) => (n === 1 ? '1 question' : `${n.toLocaleString('en-GB')} questions`)

/** What is said on the desk, where a day begins. */
export const home = {
  title: 'Desk',
  begun: 'Unfinished',
  begunNothing: 'You have no unsaved work.',
  untitled: { question: 'A question without a title', stimulus: 'A stimulus without a title' } as Record<string, string>,
  recent: 'Recently saved',
  recentNothing: 'You have saved nothing in the last 30 days.',
  waiting: 'Needs attention',
  waitingNothing: 'Nothing needs attention in the banks you can edit.',
  in_review: (n: number) => `${questions(n)} in review`,
  incomplete: (n: number) => `${questions(n)} not complete`,
  failing: (n: number) => (n === 1 ? '1 question with a failing specimen' : `${questions(n)} with failing specimens`),
  drafts: (n: number) => (n === 1 ? '1 draft ready for review' : `${n.toLocaleString('en-GB')} drafts ready for review`),
  untopiced: (n: number) => `${questions(n)} without a topic`,
  unnamed: (n: number) => (n === 1 ? '1 question with an unhelpful title' : `${questions(n)} with unhelpful titles`),
  intakes: 'Imports to review',
  changed: 'Changed by others in your banks',
  changedNothing: 'No one else has changed anything in the last 30 days.',
  change: (person: string, note: string) => (note === '' ? person : `${person}: ${note}`),
}
