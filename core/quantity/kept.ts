/** The value of a key, made and kept the first time. */
export function kept<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  const there = map.get(key);
  if (there !== undefined) return there;
  const made = make();
  map.set(key, made);
  return made;
}
