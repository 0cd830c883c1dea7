import type { RehearsalView } from '../api/client'
import { showShare } from '../common/numberText'
import { brief } from '../common/plot'
import { unitOf } from './usage'

/** A number of two rehearsals, in words, and how they differ. */
export interface Compared {
  name: string
  unit: string
  before: string
  now: string
  change: string
  /** As the theme tones it: less is sound, more is doubtful. */
  tone: 'sound' | 'doubt' | 'quiet'
}

/** Numbers that belong together, what they are, and what their last column tells. */
export interface ComparedTable {
  title: string
  last: string
  rows: Compared[]
}

function change(before: number, now: number): string {
  if (before === now) return 'same'
  if (!before) return 'new'
  const share = Number(((100 * (now - before)) / before).toPrecision(2))
  return share === 0 ? 'same' : `${share > 0 ? '+' : '−'}${brief(Math.abs(share))} %`
}
const tone = (before: number, now: number) => (now < before ? 'sound' : now > before ? 'doubt' : 'quiet')

const line = (name: string, before: number, now: number): Compared => ({
  name,
  unit: unitOf(name),
  before: brief(before),
  now: brief(now),
  change: change(before, now),
  tone: tone(before, now),
})

function pool(name: string, before: RehearsalView, now: RehearsalView): Compared {
  const [was, is] = [before, now].map((view) => view.pools.find((p) => p.name === name))
  const lost = (p: typeof was) => (p ? showShare(p.lost) : 'no pool')
  const [from, to] = [was, is].map((p) => p?.capacity ?? '—')
  return {
    name,
    unit: '',
    before: lost(was),
    now: lost(is),
    change: from === to ? `of ${to}` : `of ${from} → ${to}`,
    tone: was && is ? tone(was.lost, is.lost) : 'quiet',
  }
}

/** Returns how two rehearsals differ: what each asks for at once at most, what spawns, and what pools lose. */
export function compared(before: RehearsalView, now: RehearsalView): ComparedTable[] {
  const peak = (of: RehearsalView, name: string) => of.whole.find((l) => l.name === name)?.peak ?? 0
  const pools = [...new Set([...now.pools, ...before.pools].map((p) => p.name))]
  const numbers: ComparedTable = {
    title: 'most at once',
    last: 'change',
    rows: [
      ...now.whole.map((l) => line(l.name, peak(before, l.name), l.peak)),
      line('born', before.births, now.births),
    ],
  }
  return pools.length
    ? [
        numbers,
        { title: 'lost by pools', last: 'capacity', rows: pools.map((name) => pool(name, before, now)) },
      ]
    : [numbers]
}
