// Loads the core for a page: `const core = await open(bytes)`, where the bytes are those of core.wasm.
import { load } from './runtime.js'

const KINDS = { object: 0, string: 2, number: 3, boolean: 4 }

/** What the core needs of JavaScript, so that none of it is made from text: the page may forbid that. */
const hand = {
  object: () => ({}),
  list: () => [],
  set: (o, key, value) => {
    o[key] = value
  },
  put: (o, key, value) => {
    if (value !== null) o[key] = value
  },
  add: (list, value) => {
    list.push(value)
  },
  number: (v) => v,
  flag: (v) => v,
  text: (v) => v,
  // In the order of JsonValue.Kind; −1 for what is not there.
  kind: (v) => (v === undefined ? -1 : v === null ? 5 : Array.isArray(v) ? 1 : KINDS[typeof v]),
  keys: (v) => Object.keys(v),
  under: (v, key) => (Object.hasOwn(v, key) ? v[key] : undefined),
  size: (v) => v.length,
  at: (v, index) => v[index],
  textOf: (v) => v,
  numberOf: (v) => v,
  flagOf: (v) => v,
  read: (text) => Number(text),
  written: (v) => JSON.stringify(v),
  normalized: (text, form) => text.normalize(form),
}

export async function open(bytes) {
  const { exports } = await load(bytes, { stackDeobfuscator: { enabled: false } })
  exports.begin(hand)
  return exports
}
