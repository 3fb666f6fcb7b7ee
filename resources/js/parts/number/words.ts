export const words = { name: 'number', start: 'type a number', hint: 'with a tolerance' }
