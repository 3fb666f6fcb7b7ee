export const words = {
  name: 'highlight',
  start: 'pick words in a text',
  hint: 'words or phrases of a passage',
  picks: 'The learner picks words in a text',
  text: 'Text to pick from',
  textHint: 'Write or paste the text, then select words and make them a piece',
  make: 'Make it a piece',
  right: 'Click the right ones:',
  isRight: (piece: string) => `“${piece}” is right`,
  none: 'No pieces yet.',
}
