const n = (count: number) => count.toLocaleString('en-GB')
const questions = (count: number) => (count === 1 ? '1 question' : `${n(count)} questions`)
const places = (count: number) => (count === 1 ? '1 place' : `${n(count)} places`)

/** What is said of changing many questions at once. */
export const acts = {
  questions,
  change: {
    title: (count: number) => `Change ${questions(count)}`,
    about: 'Only what is filled in on the left is changed. The right shows what that would do.',
    go: (count: number) => `Change ${questions(count)}`,
    sections: { classify: 'Classification', origin: 'Where it comes from', asked: 'How it is asked', places: 'Places' } as Record<
      string,
      string
    >,
    leave: 'leave as it is',
    empty: (what: string) => `Empty ${what}`,
    emptied: 'will be emptied',
    addPurpose: 'Add purposes',
    removePurpose: 'Take purposes off',
    minutes: 'Minutes',
    work: 'Work',
    language: 'Language',
    languageHint: 'a tag such as en-GB',
    points: 'Points',
    shuffle: 'Shuffle',
    shuffles: { yes: 'draw the order anew for each learner', no: 'keep the order as written' } as Record<string, string>,
    attempts: 'Tries',
    unlimited: 'as many as they like',
    tries: (count: number) => (count === 1 ? '1 try' : `${count} tries`),
    cost: 'Each wrong try costs',
    costHint: 'a share, such as 1/5 or 20%',
    show: 'Feedback',
    names: 'Give a name from the content to those whose names say nothing',
    addFolders: 'Also place in',
    removeFolders: 'Take out of',
    pickTopic: 'pick a topic',
    pickFolder: 'pick a folder',
  },
  preview: {
    title: 'Before and after',
    nothing: 'Nothing is filled in yet.',
    looking: 'Looking at what this would do …',
    all: (changes: number, left: number, same: number) =>
      [
        changes === 0 ? 'Nothing would change.' : changes === 1 ? '1 question changes.' : `${n(changes)} questions change.`,
        same > 0 ? `${n(same)} ${same === 1 ? 'is' : 'are'} so already.` : '',
        left > 0 ? `${n(left)} ${left === 1 ? 'is' : 'are'} left as ${left === 1 ? 'it is' : 'they are'}.` : '',
      ]
        .filter((one) => one !== '')
        .join(' '),
    some: (looked: number, count: number, changes: number) =>
      `${n(count)} questions. Of the first ${n(looked)}, which were looked at, ${changes === looked ? 'all' : n(changes)} change.`,
    sample: (shown: number, changes: number) => (shown < changes ? `${n(shown)} of them:` : ''),
    left: 'Left as they are',
    none: 'none',
  },
  fields: {
    bin: 'bin',
    home: 'home',
    copy: 'copy',
    revision: 'revision',
    work: 'Work',
    origin: 'source',
  } as Record<string, string>,
  values: { true: 'in the bin', null: 'not there' } as Record<string, string>,
  replace: {
    menu: 'Find and replace',
    title: (count: number) => `Find and replace in ${questions(count)}`,
    about: 'In titles, texts, options, answers and feedback. Every place is shown before it is changed; take the tick off those to leave.',
    found: (at: number, inQuestions: number, looked: number, count: number) =>
      looked < count
        ? `${places(at)} in ${questions(inQuestions)} so far; ${n(looked)} of ${n(count)} are looked through.`
        : at === 0
          ? 'Nothing is found.'
          : `${places(at)} in ${questions(inQuestions)}.`,
    more: 'Look on',
    go: (at: number) => `Replace at ${places(at)}`,
  },
  place: {
    menu: 'Place',
    title: (count: number) => `Place ${questions(count)}`,
    bank: 'Bank',
    folder: 'Folder',
    top: 'no folder',
    fresh: 'a new folder …',
    freshName: 'Name of the new folder',
    how: 'How',
    hows: {
      also: 'Also place there',
      move: 'Move there',
      home: 'Move there: it becomes their home',
      copy: 'Copy there',
    } as Record<string, string>,
    howAbout: {
      also: 'They stay wherever they are, and show there as well.',
      move: 'Taken out of every other folder of that bank.',
      home: 'Rights, topics and approval follow that bank from then on; the folders here let them go.',
      copy: 'New drafts of their own; a change to one is none to the other.',
    } as Record<string, string>,
    bin: 'and put the originals into the bin',
    noFolder: 'Pick a folder, or a new one.',
    go: { also: 'Place', move: 'Move', home: 'Move', copy: 'Copy' } as Record<string, string>,
  },
  bin: {
    menu: 'Put into the bin',
    title: (count: number) => `Put ${questions(count)} into the bin`,
    about: 'They show nowhere any more, and come back from the bin whole.',
    go: 'Put into the bin',
    back: 'Bring back',
    backAll: (count: number) => (count === 1 ? 'Bring it back' : `Bring all ${n(count)} back`),
    open: 'Bin',
    empty: 'The bin is empty.',
    isBinned: 'This question is in the bin. It shows nowhere else.',
  },
  out: 'Take out of here',
  done: {
    change: (count: number) => (count === 0 ? 'Nothing had to be changed.' : `Changed ${questions(count)}.`),
    undo: (count: number) => `Put back ${questions(count)}.`,
    copy: (count: number) => `Copied ${questions(count)}.`,
    merge: (count: number) => `Made one; ${questions(count)} came along.`,
    remove: (count: number) => (count === 0 ? 'It is gone.' : `It is gone; ${questions(count)} had it.`),
  } as Record<string, (count: number) => string>,
  leftOne: (count: number, why: string) => `${count === 1 ? '1 was' : `${n(count)} were`} left: ${why}`,
  receipt: 'Receipt',
  follow: 'Follow it',
  going: {
    waiting: 'It waits for another change in this bank.',
    running: (done: number, total: number) => `${n(done)} of ${n(total)} done`,
  },
  started: (count: number) => `Changing ${questions(count)} in the background.`,
  background: 'It goes on if you close this.',
  stop: 'Stop',
  resume: 'Go on',
  undo: 'Undo',
  states: {
    done: 'done',
    stopped: 'stopped half way; what is changed is changed whole',
    failed: 'something went wrong half way; what is changed is changed whole',
    waiting: 'waiting',
    running: 'going on',
  } as Record<string, string>,
  title: 'What was done',
  kind: { change: 'Change', undo: 'Undone', copy: 'Copy', merge: 'Two made one', remove: 'Taken away' } as Record<string, string>,
  about: 'Everything done to many questions of this bank at once, with a way back.',
  none: 'Nothing was done to many questions here yet.',
  pick: 'Pick one to see what it changed.',
  by: (person: string | null, when: string) => `${person ?? 'somebody'}, ${when}`,
  counts: (changed: number, left: number) => `${n(changed)} changed${left > 0 ? `, ${n(left)} left` : ''}`,
  undone: 'undone',
  summary: {
    binned: 'into the bin',
    restored: 'out of the bin',
    home: 'moved home',
    folders: 'folders',
    topics: 'topics',
    words: (find: string, by: string) => `“${find}” to “${by}”`,
    names: 'names',
    content: { points: 'points', shuffle: 'shuffling', attempts: 'tries', show: 'feedback', language: 'language' } as Record<
      string,
      string
    >,
  },
  left: (count: number) => (count === 1 ? '1 question was left' : `${n(count)} questions were left`),
  putBack: 'Put back all the same',
  changes: 'What was changed',
  more: 'Show more',
}
