import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { drawnGraph } from '@/api/graphs'
import { useDebouncedValue } from '@/lib/useDebouncedValue'

type Asked = { settings: unknown; figures?: unknown[]; wanted?: unknown[]; variables?: unknown; language: string }

/** A grid and figures on it as the core draws and says them, a moment after they changed. */
export function useDrawn(asked: Asked) {
  const key = useDebouncedValue(JSON.stringify(asked), 80)
  return useQuery({
    queryKey: ['graph', key],
    queryFn: () => drawnGraph(JSON.parse(key)),
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 30_000,
    placeholderData: keepPreviousData,
  }).data
}
