// Writes src/api/bundle.schema.d.ts from docs/format/bundle.schema.json.
import { readFile, writeFile } from 'node:fs/promises'
import { compile } from 'json-schema-to-typescript'

const schema = JSON.parse(
  await readFile(new URL('../../docs/format/bundle.schema.json', import.meta.url), 'utf8'),
)

/** Says the same in the older words that the generator knows, and leaves out what no type can say. */
function plain(node) {
  if (Array.isArray(node)) return node.filter((one) => !onlyRequires(one)).map(plain)
  if (node === null || typeof node !== 'object') return node
  if (node.$ref)
    return node.description
      ? { allOf: [{ $ref: node.$ref }], description: node.description }
      : { $ref: node.$ref }
  const { prefixItems, oneOf, ...rest } = node
  for (const unsaid of ['if', 'then', 'not']) delete rest[unsaid]
  const out = Object.fromEntries(
    Object.entries(rest).map(([key, value]) => [key, key === 'properties' ? each(value) : plain(value)]),
  )
  if (prefixItems) {
    out.items = prefixItems.map(plain)
    out.additionalItems = false
    out.maxItems = prefixItems.length
  } else {
    delete out.minItems
    delete out.maxItems
  }
  const kinds = oneOf?.filter((one) => !onlyRequires(one))
  if (kinds?.length) out.oneOf = kinds.map(plain)
  return out
}
function each(map) {
  return Object.fromEntries(Object.entries(map).map(([key, value]) => [key, plain(value)]))
}
function onlyRequires(node) {
  return (
    typeof node === 'object' &&
    node !== null &&
    Object.keys(node).every((key) => ['required', 'not', 'oneOf'].includes(key)) &&
    'required' in node
  )
}

const named = Object.fromEntries(
  Object.entries(schema.$defs).map(([name, def]) => [name, { title: name, ...plain(def) }]),
)
const text = JSON.stringify({ ...plain({ ...schema, $defs: undefined }), definitions: named }).replaceAll(
  '#/$defs/',
  '#/definitions/',
)
await writeFile(
  new URL('../src/api/bundle.schema.d.ts', import.meta.url),
  await compile(JSON.parse(text), 'Bundle', {
    bannerComment:
      '/** The bodies of parts; written from docs/format/bundle.schema.json by npm run types. */',
    additionalProperties: false,
    unreachableDefinitions: true,
    style: { semi: false, singleQuote: true, printWidth: 110 },
  }),
)
