import { useMemo } from 'react'
import { useAddress } from '@/lib/useAddress'
import { conditions, type Dimension, filterQuery, type Range } from './filterQuery'

type Change = ReturnType<typeof useAddress>['change']

/** How the conditions are changed. These functions stay the same ones while the address changes. */
function changes(change: Change) {
  /** In or out of a list of values; what is in one of asked for and left out is not in the other. */
  const flip = (name: string, other: string, value: string) =>
    change((next) => {
      const had = next.getAll(name).includes(value)
      for (const one of [name, other]) {
        const kept = next.getAll(one).filter((given) => given !== value)
        next.delete(one)
        for (const given of kept) next.append(one, given)
      }
      if (!had) next.append(name, value)
    })
  return {
    toggle: (name: Dimension, value: string) => flip(name, `not-${name}`, value),
    leaveOut: (name: Dimension, value: string) => flip(`not-${name}`, name, value),
    setRange: (name: Range, from: string, to: string) =>
      change((next) => (from === '' && to === '' ? next.delete(name) : next.set(name, `${from}..${to}`))),
    drop: (name: string) => change((next) => next.delete(name)),
    clear: () =>
      change((next) => {
        for (const name of ['words', ...conditions]) next.delete(name)
      }),
    setWords: (words: string) => change((next) => (words.trim() === '' ? next.delete('words') : next.set('words', words))),
    setGroup: (group: string) => change((next) => (group === '' ? next.delete('group') : next.set('group', group))),
    /** One folder alone, in the order made there by hand. */
    setPlace: (id: string) =>
      change((next) => {
        next.delete('folder')
        next.set('place', id)
        next.set('sort', 'own')
      }),
    /** Several values of a dimension at once. */
    setValues: (name: Dimension, values: string[]) =>
      change((next) => {
        next.delete(name)
        for (const value of values) next.append(name, value)
      }),
    setSort: (sort: string) => change((next) => next.set('sort', sort)),
    setQuestion: (id: string | null) => change((next) => (id === null ? next.delete('question') : next.set('question', id)), true),
  }
}

/** The conditions of a list, which are its address: reload, go back, share the link. */
export function useFilter() {
  const { address, change } = useAddress()
  const changing = useMemo(() => changes(change), [change])
  return useMemo(
    () => ({
      ...changing,
      /** As the API takes it; two equal filters read equally. */
      query: filterQuery(address),
      words: address.get('words') ?? '',
      sort: address.get('sort') ?? (address.get('words') ? 'best' : 'title'),
      question: address.get('question') ?? undefined,
      /** How the list is grouped; '' is not. */
      group: address.get('group') ?? '',
      values: (name: Dimension) => address.getAll(name),
      left: (name: Dimension) => address.getAll(`not-${name}`),
      range: (name: Range): [string, string] => {
        const [from = '', to = ''] = (address.get(name) ?? '').split('..')
        return [from, to]
      },
      any: ['words', ...conditions].some((name) => address.getAll(name).some((value) => value !== '')),
    }),
    [address, changing],
  )
}
export type Filter = ReturnType<typeof useFilter>
