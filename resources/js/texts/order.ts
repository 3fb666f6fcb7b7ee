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
    folders: 'A question can be in several folders, including folders of other banks.',
    tags: 'Tags belong to this bank and are sorted by name.',
  },
  missing: {
    topics: (count: number) => `${questions(count)} ${count === 1 ? 'has' : 'have'} no topic.`,
    folders: (count: number) => `${questions(count)} ${count === 1 ? 'is' : 'are'} in no folder.`,
    tags: (count: number) => `${questions(count)} ${count === 1 ? 'has' : 'have'} no tag.`,
  } as Record<Kind, (count: number) => string>,
  see: 'Show them',
  tree: (kind: Kind) => `Organise ${called[kind][1]}`,
  howTo:
    'Drag to move. By keyboard: X picks up, arrows choose the target, Enter drops inside it, Shift Enter before it, Escape cancels. Alt ↑↓ moves among siblings, F2 renames, M merges, Delete deletes.',
  holding: (name: string) => `“${name}” picked up. Choose where to drop it.`,
  inside: 'Drop inside',
  before: 'Drop before',
  after: 'Drop after',
  atTop: 'Drop at the top',
  letGo: 'Cancel',
  pickUp: 'Pick up',
  moveUp: 'Move up',
  moveDown: 'Move down',
  sort: 'Sort contents by name',
  sortTop: 'Sort by name',
  sorted: 'Sorted by name.',
  rename: 'Rename',
  merge: 'Merge into another…',
  mergeTitle: (name: string) => `Merge “${name}”`,
  mergeAbout: 'Its questions move to the other one, branches with the same name are merged, and it is deleted.',
  mergeInto: 'Into',
  mergeGo: 'Merge',
  mergePick: 'choose one',
  uses: 'Where it is used',
  usesOf: (name: string) => `Where “${name}” is used`,
  usesHere: (here: number, below: number) =>
    here === below ? questions(below) : `${questions(here)} in it, ${n(below)} including everything below`,
  usesNone: 'No question uses it.',
  usesOthers: (count: number) => `${questions(count)} in banks you cannot view.`,
  usesStimuli: (count: number) => `${count === 1 ? '1 stimulus is' : `${n(count)} stimuli are`} in it.`,
  usesSearches: (count: number) => `${count === 1 ? '1 saved search uses' : `${n(count)} saved searches use`} it.`,
  show: 'Show these questions',
  outline: 'From an outline…',
  outlineTitle: (kind: Kind) => `${kind === 'topics' ? 'Topics' : 'Folders'} from an outline`,
  outlineAbout:
    'One name per line, nested by indentation, bullets, numbers or headings, or whole paths such as Rocks > Igneous. Existing names are kept.',
  outlineText: 'Outline',
  outlineBelow: 'Below',
  outlineFound: (count: number) => (count === 0 ? 'No names yet.' : count === 1 ? '1 name' : `${n(count)} names`),
  outlineGo: 'Create',
  outlineDone: (made: number, there: number) => `${n(made)} created${there > 0 ? `, ${n(there)} already there` : ''}.`,
  find: (kind: Kind) => `Find ${called[kind][1]}`,
  none: (kind: Kind) => `There are no ${called[kind][1]} here yet.`,
  noneFound: 'No matches.',
  renameTag: (name: string) => `Rename or merge “${name}”`,
  renameTagAbout: 'If another tag has this name, the two are merged.',
  newName: 'New name',
  removeTag: (name: string) => `Remove “${name}”`,
  removeTagTitle: (name: string, count: number) => `Remove “${name}” from ${questions(count)}?`,
  count: questions,
  readers: 'People who can edit this bank can organise these.',
}
