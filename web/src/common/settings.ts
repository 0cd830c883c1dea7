import schema from '../../../docs/format/bundle.schema.json'

/** What the schema says of one setting. */
export interface Setting {
  /** What it is for, in a sentence. */
  description: string
  unit: string
  /** Bounds of the number, or of each number of a pair or vector; infinite where there is none. */
  least: number
  most: number
  /** Whether the least itself is not allowed. */
  above: boolean
  whole: boolean
  /** What holds when it is left out; undefined where nothing does. */
  usual: unknown
  /** The words that it can be, of a choice. */
  options: string[]
}

interface Rule {
  title?: string
  $ref?: string
  description?: string
  unit?: string
  type?: string
  minimum?: number
  exclusiveMinimum?: number
  maximum?: number
  maxItems?: number
  default?: unknown
  enum?: string[]
  properties?: Record<string, Rule>
  items?: Rule | boolean
  prefixItems?: Rule[]
  oneOf?: Rule[]
  allOf?: {
    if: { properties: Record<string, { const: string }> }
    then: { properties: Record<string, Rule> }
  }[]
  additionalProperties?: Rule | boolean
}

const defs = schema.$defs as unknown as Record<string, Rule>

/** The smallest step above a bound that is not itself allowed. */
const JUST_ABOVE = 0.001

const target = (rule: Rule): Rule => (rule.$ref ? defs[rule.$ref.split('/').pop()!] : rule)

// All rules that may hold for a member: of a closed kind, those of every kind that has it.
function under(rule: Rule, key: string): Rule[] {
  const at = target(rule)
  const kind = /^<(.+)>$/.exec(key)?.[1]
  if (kind) {
    return (at.oneOf ?? []).filter((one) => one.title === kind)
  }
  if (/^\d+$/.test(key)) {
    const items = [rule.items, at.items].find((one) => typeof one === 'object')
    return items ? [rule.unit ? { unit: rule.unit, ...items } : items] : (at.prefixItems ?? []).slice(0, 1)
  }
  const own = at.properties?.[key]
  return [...(own ? [own] : []), ...(at.oneOf ?? []).flatMap((kind) => under(kind, key))]
}

function rulesAt(of: string, path: string): Rule[] {
  const rules = path
    .split('.')
    .reduce<Rule[]>((at, key) => at.flatMap((rule) => under(rule, key)), [defs[of]])
  if (!rules.length) throw new Error(`the schema has no ${of}.${path}`)
  return rules
}

const known = new Map<string, Setting>()

/**
 * Returns what the schema says of the setting at a path, such as `limits.cooldown` of a `Rope`, or `with.0.<Pause>.seconds`
 * where a kind is meant.
 *
 * @throws if there is none: a path that is written wrong is a mistake of ours
 */
export function setting(of: string, path: string): Setting {
  const name = `${of}.${path}`
  let found = known.get(name)
  if (!found) {
    found = described(rulesAt(of, path))
    known.set(name, found)
  }
  return found
}

/** Returns what a number field needs to know of a setting, and what is said to explain it. */
export function bounds(
  of: string,
  path: string,
): { unit: string; least: number; most: number; kind?: 'whole'; 'data-explains'?: string } {
  const { unit, least, most, whole, description } = setting(of, path)
  return {
    unit: unit || ' ',
    least,
    most,
    ...(whole ? { kind: 'whole' as const } : {}),
    ...(description ? { 'data-explains': description } : {}),
  }
}

// Of a pair or a vector the bounds are those of its numbers, of a curve those of its keys, both said beside the reference; of what
// may be a number or something else, those of the number.
function numbersOf(rule: Rule): Rule {
  if (typeof rule.items !== 'object') {
    const kind = target(rule)
    return kind.oneOf?.find((one) => one.type === 'number') ?? kind
  }
  return rule.items.properties?.value ?? rule.items
}

/** Returns the bounds of a setting while another has some word, such as the length of a `Trail` measured in seconds. */
export function boundsWhile(of: string, other: string, word: string, key: string) {
  const then = (defs[of].allOf ?? []).find((one) => one.if.properties[other].const === word)?.then
  if (!then) throw new Error(`the schema says nothing of ${of}.${key} while ${other} is ${word}`)
  const { least, most } = described([then.properties[key]])
  return { least, most }
}

/**
 * Returns how many there may be at most in a list, such as the `children` of an `End`; of `Curve` and `Gradient`, which are lists
 * themselves, without a path.
 */
export function mostOf(of: string, path = ''): number {
  const rules = path ? rulesAt(of, path) : [defs[of]]
  const most = Math.max(...rules.map((rule) => rule.maxItems ?? target(rule).maxItems ?? 0))
  if (!most) throw new Error(`the schema does not say how many there may be in ${of}.${path}`)
  return most
}

function described(rules: Rule[]): Setting {
  const bounds = rules.map((rule) => numbersOf(rule))
  const first = rules[0]
  const above = bounds.every((b) => b.exclusiveMinimum !== undefined)
  const least = Math.min(...bounds.map((b) => b.minimum ?? b.exclusiveMinimum ?? -Infinity))
  const whole = bounds.every((b) => b.type === 'integer')
  return {
    description: first.description ?? target(first).description ?? '',
    unit: first.unit ?? '',
    least: above ? least + JUST_ABOVE : least,
    most: Math.max(...bounds.map((b) => b.maximum ?? Infinity)),
    above,
    whole,
    usual: first.default,
    options: first.enum ?? target(first).enum ?? [],
  }
}
