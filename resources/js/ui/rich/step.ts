/** Put into a transaction that is undone by itself, not with what was typed around it. */
export const STEP = 'step'
