export const words = {
  name: 'drop-down',
  start: 'pick from a drop-down',
  hint: 'inside a sentence',
  picks: 'The learner picks from a drop-down',
  choose: 'choose',
}
