import { useMemo } from 'react'
import { useAddress } from '@/frame/useAddress'

export const dimensions = ['kind', 'status', 'difficulty', 'topic', 'folder', 'tag', 'author', 'stimulus', 'no', 'is'] as const
export type Dimension = (typeof dimensions)[number]

/** The conditions of a list, which are its address: reload, go back, share the link. */
export function useFilter() {
  const { address, change } = useAddress()
  return useMemo(() => {
    const query = new URLSearchParams()
    for (const name of ['words', ...dimensions, 'sort'])
      for (const value of address.getAll(name)) if (value !== '') query.append(name, value)
    const values = (name: Dimension) => address.getAll(name)
    return {
      /** As the API takes it; two equal filters read equally. */
      query: query.toString(),
      words: address.get('words') ?? '',
      sort: address.get('sort') ?? (address.get('words') ? 'best' : 'title'),
      question: address.get('question') ?? undefined,
      values,
      any: query.has('words') || dimensions.some((name) => query.has(name)),
      toggle: (name: Dimension, value: string) =>
        change((next) => {
          const kept = next.getAll(name).filter((one) => one !== value)
          const had = kept.length < next.getAll(name).length
          next.delete(name)
          for (const one of had ? kept : [...kept, value]) next.append(name, one)
        }),
      drop: (name: string) => change((next) => next.delete(name)),
      clear: () =>
        change((next) => {
          for (const name of ['words', ...dimensions]) next.delete(name)
        }),
      setWords: (words: string) => change((next) => (words.trim() === '' ? next.delete('words') : next.set('words', words))),
      setSort: (sort: string) => change((next) => next.set('sort', sort)),
      setQuestion: (id: string | null) => change((next) => (id === null ? next.delete('question') : next.set('question', id)), true),
    }
  }, [address, change])
}
export type Filter = ReturnType<typeof useFilter>
