export const words = { name: 'choice', start: 'choose', hint: 'one or several options' }
