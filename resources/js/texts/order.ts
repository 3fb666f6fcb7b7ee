const n = (count: number) => count.toLocaleString('en-GB')
const questions = (count: number) => (count === 1 ? '1 question' : `${n(count)} questions`)
const called = { topics: ['topic', 'topics'], folders: ['folder', 'folders'], tags: ['tag', 'tags'] } as const
type Kind = keyof typeof called

/** What is said of topics, folders and tags as things that are put in order. */
export const order = {
  title: 'Topics, folders and tags',
  tabs: { topics: 'Topics', folders: 'Folders', tags: 'Tags' } as Record<Kind, string>,
  about: {
    topics: (team: boolean) =>
      team ? 'This tree belongs to the team: every bank of the team uses it.' : 'This tree belongs to this bank.',
    folders: 'Folders say where questions lie. A question may lie in several, also in those of other banks.',
    tags: 'Tags are words of this bank. They have no order but their own.',
  },
  missing: {
    topics: (count: number) => `${questions(count)} ${count === 1 ? 'has' : 'have'} no topic.`,
    folders: (count: number) => `${questions(count)} ${count === 1 ? 'lies' : 'lie'} in no folder.`,
    tags: (count: number) => `${questions(count)} ${count === 1 ? 'has' : 'have'} no tag.`,
  } as Record<Kind, (count: number) => string>,
  see: 'Look at them',
  tree: (kind: Kind) => `The ${called[kind][1]}, to be put in order`,
  howTo:
    'Drag to move. By keyboard: X picks up, arrows find the place, Enter puts down inside, Shift Enter before; Escape lets go. Alt ↑↓ moves among siblings, F2 renames, M merges, Delete deletes.',
  holding: (name: string) => `“${name}” is picked up. Go to where it is to lie.`,
  inside: 'Put inside',
  before: 'Put before',
  atTop: 'Put at the top',
  letGo: 'Let go',
  pickUp: 'Pick up',
  moveUp: 'Move up',
  moveDown: 'Move down',
  sort: 'Sort what is below by name',
  sortTop: 'Sort by name',
  sorted: 'Sorted by name.',
  rename: 'Rename',
  merge: 'Merge into another …',
  mergeTitle: (name: string) => `Merge “${name}”`,
  mergeAbout: 'Its questions go to the other one, branches of the same name become one, and it is gone.',
  mergeInto: 'Into',
  mergeGo: 'Merge',
  mergePick: 'pick one',
  uses: 'Where it is used',
  usesOf: (name: string) => `Where “${name}” is used`,
  usesHere: (here: number, below: number) =>
    here === below ? questions(below) : `${questions(here)} in it, ${n(below)} with what is below`,
  usesNone: 'No question has it.',
  usesOthers: (count: number) => `${questions(count)} in banks you may not read.`,
  usesStimuli: (count: number) => `${count === 1 ? '1 stimulus lies' : `${n(count)} stimuli lie`} in it.`,
  usesSearches: (count: number) => `${count === 1 ? '1 kept search asks' : `${n(count)} kept searches ask`} for it.`,
  show: 'Show these questions',
  outline: 'From an outline …',
  outlineTitle: (kind: Kind) => `${kind === 'topics' ? 'Topics' : 'Folders'} from an outline`,
  outlineAbout:
    'A name a line, deeper by indentation, bullets, numbers or headings; or whole paths such as Rocks > Igneous. What is there already stays.',
  outlineText: 'The outline',
  outlineBelow: 'Below',
  outlineFound: (count: number) => (count === 0 ? 'Nothing is named yet.' : count === 1 ? '1 name' : `${n(count)} names`),
  outlineGo: 'Make them',
  outlineDone: (made: number, there: number) =>
    `${made === 1 ? '1 is' : `${n(made)} are`} new${there > 0 ? `, ${there === 1 ? '1 was' : `${n(there)} were`} there` : ''}.`,
  find: (kind: Kind) => `Find among the ${called[kind][1]}`,
  none: (kind: Kind) => `There are no ${called[kind][1]} here yet.`,
  noneFound: 'None has these letters.',
  renameTag: (name: string) => `Rename or merge “${name}”`,
  renameTagAbout: 'Under the name of another tag, both become one.',
  newName: 'New name',
  removeTag: (name: string) => `Take “${name}” off`,
  removeTagTitle: (name: string, count: number) => `Take “${name}” off ${questions(count)}?`,
  count: questions,
  readers: 'Who writes in this bank puts these in order.',
}
