/**
 * Returns a name that is not taken: the wanted one, with a number behind it if need be.
 *
 * @param first the number to begin with; 1 to have one in any case
 */
export function freeName(wanted: string, taken: Iterable<string>, first = 2): string {
  const all = new Set(taken)
  if (first > 1 && !all.has(wanted)) return wanted
  let n = first
  while (all.has(`${wanted} ${n}`)) n++
  return `${wanted} ${n}`
}
