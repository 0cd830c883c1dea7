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
  default?: unknown
  enum?: string[]
  properties?: Record<string, Rule>
  items?: Rule | boolean
  prefixItems?: Rule[]
  oneOf?: Rule[]
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
    const rules = path
      .split('.')
      .reduce<Rule[]>((at, key) => at.flatMap((rule) => under(rule, key)), [defs[of]])
    if (!rules.length) throw new Error(`the schema has no ${name}`)
    found = described(rules)
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

function described(rules: Rule[]): Setting {
  // Of a pair or a vector the bounds are those of its numbers, said beside the reference.
  const bounds = rules.map((rule) => (typeof rule.items === 'object' ? rule.items : target(rule)))
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
