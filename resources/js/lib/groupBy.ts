/** Entries by what `key` says of them, in the order they come; browsers that teachers still use lack Map.groupBy. */
export function groupBy<Entry, Key>(entries: Entry[], key: (entry: Entry) => Key): Map<Key, Entry[]> {
  const groups = new Map<Key, Entry[]>()
  for (const entry of entries) {
    const group = groups.get(key(entry))
    if (group) group.push(entry)
    else groups.set(key(entry), [entry])
  }
  return groups
}
