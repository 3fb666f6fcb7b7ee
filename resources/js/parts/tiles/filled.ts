import type { TreeNode } from '@/api/question'

export type Filled = Record<string, string>
export type TileShown = { id: string; body: TreeNode[]; uses: number | null }

/** In how many gaps a tile lies. */
export const used = (filled: Filled, tile: string) => Object.values(filled).filter((one) => one === tile).length

export function withoutGap(filled: Filled, gap: string): Filled {
  const { [gap]: _, ...rest } = filled
  return rest
}

/** A tile in a gap: what lay there goes back, and where no more of it may be used it leaves the gap it came to first. */
export function withTile(filled: Filled, gap: string, tile: TileShown): Filled {
  const others = withoutGap(filled, gap)
  const taken = Object.keys(others).filter((one) => others[one] === tile.id)
  const rest = tile.uses !== null && taken.length >= tile.uses ? withoutGap(others, taken[0] ?? '') : others
  return { ...rest, [gap]: tile.id }
}
