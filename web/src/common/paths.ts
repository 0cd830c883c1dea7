type Tree = Record<string, unknown>

/** Returns what lies at a path such as `birth.bursts.0.least`. */
export function at(root: unknown, path: string): unknown {
  return path.split('.').reduce((node, key) => (node as Tree | undefined)?.[key], root)
}

/** Puts a value at a path; undefined takes it away. */
export function put(root: unknown, path: string, value: unknown) {
  const keys = path.split('.')
  const last = keys.pop()!
  const owner = keys.reduce((node, key) => (node[key] ??= {}) as Tree, root as Tree)
  if (value === undefined) delete owner[last]
  else owner[last] = value
}

/** Puts a value at a path, and takes away every object on the way that is left empty. */
export function putOrPrune(root: unknown, path: string, value: unknown) {
  put(root, path, value)
  const keys = path.split('.')
  for (let n = keys.length - 1; n > 0; n--) {
    const owner = keys.slice(0, n).join('.')
    const left = at(root, owner)
    if (Array.isArray(left) || !left || Object.keys(left as Tree).length) return
    put(root, owner, undefined)
  }
}
