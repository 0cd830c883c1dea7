import { describe, expect, it } from 'vitest'
import { linesOf, readTrace, writeTrace } from './trace'

const file = (text: string, name: string) => new File([text], name)

describe('a file of pulls', () => {
  it('is taken line by line, with what is no JSON named by its line', () => {
    expect(linesOf('{"a":1}\n\nbroken\r\n{"b":', 5)).toEqual({
      lines: [{ line: 5, node: { a: 1 } }, { line: 7 }],
      next: 8,
      rest: '{"b":',
    })
  })

  it('is read in pieces that fall anywhere, the last line without its end', async () => {
    const asked: [string, { lines?: { line: number; node?: { n: number } }[] }][] = []
    const many = Array.from({ length: 60_000 }, (_, n) => JSON.stringify({ n })).join('\n')
    const told: number[] = []
    const pieces = [...many.matchAll(/[^]{1,7001}/g)].map(([piece]) => new TextEncoder().encode(piece))
    const slow = {
      name: 'run.jsonl',
      size: many.length,
      stream: () =>
        new ReadableStream({
          pull: (to) => (pieces.length ? to.enqueue(pieces.shift()) : to.close()),
        }),
    } as unknown as File
    const view = await readTrace(
      slow,
      'run',
      async (question, wish) => {
        asked.push([question, wish])
        return question === 'traceScore' ? { sound: 1 } : undefined
      },
      (bytes) => !!told.push(bytes),
    )
    expect(view).toEqual({ sound: 1 })
    const lines = asked.flatMap(([, wish]) => wish.lines ?? [])
    expect(lines.map((l) => l.node!.n)).toEqual(Array.from({ length: 60_000 }, (_, n) => n))
    expect(lines.map((l) => l.line)).toEqual(lines.map((_, i) => i + 1))
    expect(asked[0][0]).toBe('traceBegun')
    expect(told.length).toBeGreaterThan(1)
  })

  it('is given up where it is not wanted any more', async () => {
    const asked: string[] = []
    const big = `time,event\n${'1,courier.landed\n'.repeat(60_000)}`
    const view = await readTrace(
      file(big, 'run.CSV'),
      'run',
      async (question) => asked.push(question),
      () => false,
    )
    expect(view).toBeUndefined()
    expect(asked).toEqual(['traceBegun', 'traceRead'])
  })

  it('is written as a table or as lines', async () => {
    const score = { name: 'run', seconds: 1, lanes: [] }
    const lines = await writeTrace(score, false, '/game', async () => [{ a: 1 }, { b: 2 }])
    expect(await lines.text()).toBe('{"a":1}\n{"b":2}\n')
    const table = await writeTrace(score, true, '/game', async () => 'time,event\r\n')
    expect(await table.text()).toBe('time,event\r\n')
  })
})
