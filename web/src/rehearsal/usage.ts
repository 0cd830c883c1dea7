import type { RehearsalView } from '../api/client'
import { brief, type Along, type Drawn } from '../common/plot'

/** What is used over time, as core names it, and its unit. */
export const USED = [
  { name: 'instances', unit: '' },
  { name: 'particles', unit: '' },
  { name: 'presence', unit: 'u²' },
  { name: 'overdraw', unit: '× a pixel' },
  { name: 'draw calls', unit: '' },
  { name: 'cost', unit: 'µs a step' },
] as const

export const unitOf = (name: string) => USED.find((u) => u.name === name)?.unit ?? ''

/** The seconds of each point of the lines. */
export const placesOf = (played: RehearsalView) =>
  played.whole[0].values.map((_, i) => (i * played.stepsPerPoint) / played.stepsPerSecond)

/** Whose instances can be drawn by name. */
export const BY = ['effect', 'rope', 'subject'] as const
const linesBy = (played: RehearsalView, by: (typeof BY)[number]) =>
  ({ effect: played.effects, rope: played.ropes, subject: played.subjects })[by]

/** How many are drawn by name; what is left is only in the sum. */
const NAMED = 4
const COLOURS = ['--bronze', '--verdigris', '--vermilion', '--bronze-soft']
const CALLED = ['bronze', 'green', 'red', 'pale']

/** Returns the values of another rehearsal at the points of one; nothing where it was over. */
function valuesAt(places: number[], of: RehearsalView, name: string): (number | null)[] {
  const values = of.whole.find((l) => l.name === name)?.values ?? []
  return places.map((s) => values[Math.round((s * of.stepsPerSecond) / of.stepsPerPoint)] ?? null)
}

/**
 * Returns a chart of one of the lines: with that of another rehearsal, or else, of instances, with those effects, ropes or
 * subjects that hold most.
 */
export function drawnUsage(
  played: RehearsalView,
  name: string,
  by: (typeof BY)[number] = 'effect',
  before?: RehearsalView,
): { places: number[]; drawn: Drawn[]; y: Along; rest: string } {
  const line = played.whole.find((l) => l.name === name) ?? played.whole[0]
  const was = before?.whole.find((l) => l.name === name)
  const named = name === 'instances' && !was ? linesBy(played, by).slice(0, NAMED) : []
  const top = Math.max(line.peak, was?.peak ?? 0, 1e-9) * 1.08
  const places = placesOf(played)
  return {
    places,
    drawn: [
      ...(was
        ? [
            {
              name: 'before',
              values: valuesAt(places, before!, name),
              as: 'line',
              colour: '--bronze',
              dash: [4, 3],
            } satisfies Drawn,
          ]
        : []),
      { name: line.name, values: line.values, as: 'line', colour: '--ink' },
      ...named.map((e, i): Drawn => ({ name: e.name, values: e.values, as: 'line', colour: COLOURS[i] })),
    ],
    y: { from: 0, to: top, marks: [0, line.peak], words: () => '' },
    rest: [
      `${[line.name, unitOf(name)].filter(Boolean).join(', ')}: most ${brief(line.peak)} at ${line.peakAt.toFixed(2)} s, ${brief(line.mean)} on average`,
      ...(was ? [`bronze, broken: before, most ${brief(was.peak)}`] : []),
      ...(named.length ? [named.map((e, i) => `${CALLED[i]}: ${e.name} ${brief(e.peak)}`).join(', ')] : []),
    ].join('; '),
  }
}

/** Returns what stands at a point of a line, in words, with those that hold most there. */
export function usedWords(
  played: RehearsalView,
  name: string,
  place: number,
  by: (typeof BY)[number] = 'effect',
): string {
  const line = played.whole.find((l) => l.name === name) ?? played.whole[0]
  const held = linesBy(played, by)
    .map((e) => ({ name: e.name, count: e.values[place] ?? 0 }))
    .filter((e) => e.count > 0)
    .sort((a, b) => b.count - a.count)
  const at = (place * played.stepsPerPoint) / played.stepsPerSecond
  const most = held
    .slice(0, 4)
    .map((e) => `${e.count} ${e.name}`)
    .join(', ')
  const value = [brief(line.values[place] ?? 0), unitOf(name)].filter(Boolean).join(' ')
  return `${at.toFixed(2)} s: ${value} ${line.name}${most ? ` · ${most}` : ''}`
}
