import type uPlot from 'uplot'
import { showCount } from './numberText'

/** One line, or one sort of dots, of a chart: a value for each place of the axis, or nothing there. */
export interface Drawn {
  name: string
  values: (number | null)[]
  as: 'line' | 'dots' | 'edge'
  /** A colour of the theme, `--bronze`. */
  colour: string
  dash?: number[]
  /** Drawn round instead of full. */
  hollow?: boolean
  /** Filled, in a colour of the theme, down to the line or edge that stands this many further on. */
  fill?: { to: number; colour: string }
}

/** Where a chart begins and ends along an axis, and what is written there. */
export interface Along {
  from: number
  to: number
  /** Values that have a mark and a number. */
  marks: number[]
  words: (value: number) => string
  log?: boolean
}

const TEXT = "11px 'Instrument Sans Variable', 'DejaVu Sans', sans-serif"

function axis(along: Along, colour: (name: string) => string, side: 'x' | 'y'): uPlot.Axis {
  return {
    scale: side,
    stroke: colour('--muted'),
    font: TEXT,
    splits: () => along.marks,
    filter: (_, splits) => splits,
    values: (_, splits) => splits.map((v) => along.words(v)),
    grid: { stroke: colour('--line'), width: 1, show: side === 'y' },
    ticks: { show: false },
    size: side === 'x' ? 22 : (u, values) => longest(u, values) + 12,
    gap: side === 'x' ? 4 : 6,
  }
}

function longest(u: uPlot, values: string[] | null): number {
  u.ctx.font = TEXT
  return Math.max(0, ...(values ?? []).map((v) => u.ctx.measureText(v).width))
}

/** Returns how the chart library is to draw something. `colour` gives a colour of the theme as it is now. */
export function options(
  drawn: Drawn[],
  x: Along,
  y: Along,
  size: { width: number; height: number },
  colour: (name: string) => string,
): uPlot.Options {
  return {
    ...size,
    padding: [8, 12, 0, 0],
    pxAlign: 0,
    legend: { show: false },
    scales: {
      x: { time: false, range: () => [x.from, x.to] },
      y: { distr: y.log ? 3 : 1, range: () => [y.from, y.to] },
    },
    axes: [axis(x, colour, 'x'), axis(y, colour, 'y')],
    cursor: { y: false, points: { show: false }, drag: { x: false, y: false } },
    bands: drawn.flatMap((d, i) =>
      d.fill ? [{ series: [i + 1, i + 1 + d.fill.to] as [number, number], fill: colour(d.fill.colour) }] : [],
    ),
    series: [
      {},
      ...drawn.map((d): uPlot.Series => {
        const stroke = colour(d.colour)
        return {
          label: d.name,
          stroke: d.as === 'edge' ? 'transparent' : stroke,
          width: 1.8,
          dash: d.dash,
          spanGaps: true,
          ...(d.as === 'dots' && { paths: () => null }),
          points: {
            show: d.as === 'dots',
            size: 11,
            width: 2,
            stroke: d.hollow ? stroke : colour('--card'),
            fill: d.hollow ? colour('--card') : stroke,
          },
        }
      }),
    ],
  }
}

/** Returns the place of the axis whose dot or line lies nearest to a point of the picture; -1 if nothing does. */
export function nearest(
  places: number[],
  drawn: Drawn[],
  stops: number[],
  to: { left: number; top: number },
  at: (value: number, axis: 'x' | 'y') => number,
): number {
  const dots = drawn.filter((d) => d.as === 'dots')
  const told = dots.length ? dots : drawn
  let best = -1
  let least = Infinity
  for (const i of stops) {
    const across = at(places[i], 'x') - to.left
    for (const d of told) {
      const value = d.values[i]
      if (value === null) continue
      // Along a line one reads off what stands at the pointer; a dot is pointed at.
      const distance = dots.length ? Math.hypot(across, at(value, 'y') - to.top) : Math.abs(across)
      if (distance < least) {
        least = distance
        best = i
      }
    }
  }
  return best
}

/** Returns an axis with its two ends written on it; values that are all the same lie in the middle. */
export function between(from: number, to: number, words: (value: number) => string): Along {
  if (to > from) return { from, to, marks: [from, to], words }
  const room = Math.abs(from) / 2 || 0.5
  return { from: from - room, to: from + room, marks: [from], words }
}

/** Returns a number in three digits, as charts say it. */
export const brief = (value: number) => showCount(Number(value.toPrecision(3)))
