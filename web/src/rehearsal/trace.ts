import type { Core } from '../core/core'
import type { Score } from '../api/bundle'
import type { TraceView } from '../api/client'

/** Characters of a file that are read at once. */
const PIECE = 1 << 18

/** Asks the core a question and returns its answer. */
export type Ask = (question: Parameters<Core['ask']>[1], wish: object) => Promise<unknown>

/** A line of a file: what it holds, or nothing where that is no JSON. */
interface Line {
  line: number
  node?: unknown
}

/** Returns those lines of JSON that are whole, and what is left of the text. */
export function linesOf(text: string, first: number): { lines: Line[]; next: number; rest: string } {
  const all = text.split('\n')
  const rest = all.pop()!
  const lines = all.flatMap((one, i) => (one.trim() ? [parsed(one, first + i)] : []))
  return { lines, next: first + all.length, rest }
}

function parsed(text: string, line: number): Line {
  try {
    return { line, node: JSON.parse(text) }
  } catch {
    return { line }
  }
}

/**
 * Reads a file of pulls as a score, in pieces: JSON Lines, or a table where its name says so. Nothing is answered once it is
 * not wanted any more.
 *
 * @param progress told of the bytes so far; returns whether to go on
 */
export async function readTrace(
  file: File,
  name: string,
  ask: Ask,
  progress: (bytes: number) => boolean,
): Promise<(TraceView & { score?: Score }) | undefined> {
  const table = /\.csv$/i.test(file.name)
  await ask('traceBegun', {})
  const reader = file.stream().pipeThrough(new TextDecoderStream()).getReader()
  let text = ''
  let line = 1
  let bytes = 0
  async function take(last: boolean) {
    if (table) {
      if (text) await ask('traceRead', { text })
      text = ''
      return
    }
    const { lines, next, rest } = linesOf(last ? text + '\n' : text, line)
    line = next
    text = rest
    if (lines.length) await ask('traceRead', { lines })
  }
  for (;;) {
    const { value, done } = await reader.read()
    text += value ?? ''
    if (!done && text.length < PIECE) continue
    bytes += text.length
    await take(done)
    if (done) break
    if (!progress(Math.min(bytes, file.size))) {
      await reader.cancel()
      return undefined
    }
  }
  return (await ask('traceScore', { name })) as TraceView & { score?: Score }
}

/** Returns a score as a file of pulls. */
export async function writeTrace(score: Score, table: boolean, source: string, ask: Ask): Promise<Blob> {
  const answer = await ask('trace', { score, table, source })
  return table
    ? new Blob([answer as string], { type: 'text/csv' })
    : new Blob(
        (answer as object[]).map((line) => JSON.stringify(line) + '\n'),
        { type: 'application/jsonl' },
      )
}
