export const words = {
  name: 'survey',
  start: 'give an opinion',
  hint: 'options or a scale; nothing is right or wrong',
  gives: 'The learner gives an opinion',
  by: 'Answered',
  ways: { options: 'by options', scale: 'on a scale' } as Record<string, string>,
  from: 'from',
  to: 'to',
  meaning: 'meaning',
  option: (n: number) => `Option ${n}`,
  add: 'Add option',
}
