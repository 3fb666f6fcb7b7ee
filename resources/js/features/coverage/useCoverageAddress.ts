import { useAddress } from '@/lib/useAddress'

export const layers = ['difficulty', 'status', 'kind', 'purpose', 'marks', 'points'] as const

/** What is looked at, and how, as it stands in the address: reload, go back, share the link. */
export function useCoverageAddress() {
  const { address, change, set } = useAddress()
  const framework = address.get('framework') ?? ''
  const topics = address.get('topics') ?? ''
  const banks = address.getAll('bank')
  const by = layers.find((one) => one === address.get('layers')) ?? 'difficulty'
  const through = address.get('through') === '1'
  const touches = !through && address.get('touches') === '1'
  const least = Math.max(1, Number(address.get('least') ?? 1) || 1)
  const approved = address.get('approved') === '1'
  const assessment = address.get('assessment') ?? ''
  const levels = Number(address.get('levels') ?? 3) || 3
  const query = (framework: string, of: string[]) => {
    const said = new URLSearchParams()
    if (topics !== '') said.set('topics', topics)
    else if (framework !== '') said.set('tree', framework)
    else return ''
    // topics are those of one bank, or of its team: another bank of the team may be looked at
    for (const bank of of.length === 0 && topics !== '' ? [topics] : of) said.append('bank', bank)
    if (assessment !== '') said.set('assessment', assessment)
    said.set('layers', by)
    said.set('least', String(least))
    said.set('levels', String(levels))
    if (approved) said.set('approved', '1')
    if (through) said.set('through', '1')
    if (touches) said.set('touches', '1')
    return said.toString()
  }
  return {
    framework,
    topics,
    banks,
    by,
    through,
    touches,
    least,
    approved,
    assessment,
    unit: address.get('unit') === 'points' ? ('points' as const) : ('questions' as const),
    levels,
    view: address.get('view') === 'table' ? ('table' as const) : ('picture' as const),
    node: address.get('node') ?? '',
    beside: address.get('beside') ?? '',
    query,
    set,
    change,
    /** The list of the questions that a cell counts; a value of null: of all of them. */
    listOf: (node: string, value: string | null): string | null => {
      if (assessment !== '') return null
      const said = new URLSearchParams()
      if (topics !== '') said.set('topic', node)
      else said.set(through ? 'covers' : touches ? 'standard' : 'assesses', node)
      if (value !== null && by === 'points') said.set('points', ranges[value] ?? '..')
      else if (value === '') said.set('no', by)
      else if (value !== null) said.set(by, value)
      const only = topics !== '' && banks.length === 0 ? [topics] : banks
      if (only.length === 1) return `/banks/${only[0]}?${said}`
      for (const bank of only) said.append('bank', bank)
      return `/find?${said}`
    },
    /** A new question that is classified so. */
    writeAt: (bank: string, node: string, value: string | null): string => {
      const said = new URLSearchParams(topics === '' ? { standard: node } : { topic: node, topics })
      if (value && (by === 'difficulty' || by === 'purpose')) said.set(by, value)
      return `/banks/${bank}/write?${said}`
    },
  }
}
export type CoverageAddress = ReturnType<typeof useCoverageAddress>

/** As the server cuts points into steps. */
const ranges: Record<string, string> = { '1': '..1.9999', '2-3': '2..3.9999', '4-6': '4..6.9999', '7+': '7..' }
