import { createContext } from 'react'

/** Names of the values that vary in the question around, to be put into its equations. */
export const ValueNames = createContext<string[]>([])
