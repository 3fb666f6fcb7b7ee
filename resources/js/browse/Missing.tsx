import { texts } from '@/messages'
import type { Filter } from './useFilter'

/** Says what a branch can never show, with the way to it. */
export function Missing({ name, count, filter }: { name: 'topic' | 'standard' | 'folder' | 'tag'; count: number; filter: Filter }) {
  if (count === 0 || filter.values('no').includes(name)) return null
  return (
    <div className="m-3 rounded-ui bg-attention-tint px-3 py-2 text-attention">
      <p className="font-semibold">{texts.bank.untagged[name]?.({ n: count })}</p>
      <button type="button" className="min-h-6 underline" onClick={() => filter.toggle('no', name)}>
        {texts.bank.showThem}
      </button>
    </div>
  )
}
