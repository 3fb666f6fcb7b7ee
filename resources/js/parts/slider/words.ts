export const words = {
  name: 'slider',
  start: 'set a value on a scale',
  hint: 'from one end to the other, by steps',
  sets: 'The learner sets a value on a scale',
  from: 'from',
  to: 'to',
  step: 'in steps of',
  meaning: 'meaning',
  notSet: 'not set yet',
}
