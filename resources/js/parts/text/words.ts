export const words = { name: 'typed', start: 'type a word or phrase', hint: 'with accepted spellings' }
