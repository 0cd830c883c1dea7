import { expect, it } from 'vitest'
import { latest } from './latest'

it('does the first and the last, and nothing between', async () => {
  const done: number[] = []
  const gates: (() => void)[] = []
  const ask = latest<number>(async (n) => {
    await new Promise<void>((resolve) => gates.push(resolve))
    done.push(n)
  })
  for (let n = 1; n <= 5; n++) ask(n)
  gates.shift()!()
  await new Promise((r) => setTimeout(r))
  gates.shift()!()
  await new Promise((r) => setTimeout(r))
  expect(done).toEqual([1, 5])
  expect(gates).toHaveLength(0)
})

it('tells long work that something newer waits', async () => {
  const done: string[] = []
  const gates: (() => void)[] = []
  const ask = latest<string>(async (name, replaced) => {
    for (let piece = 0; piece < 3 && !replaced(); piece++) {
      await new Promise<void>((resolve) => gates.push(resolve))
      done.push(`${name}${piece}`)
    }
  })
  const next = async () => {
    gates.shift()!()
    await new Promise((r) => setTimeout(r))
  }
  ask('a')
  await next()
  ask('b')
  for (let i = 0; i < 4; i++) await next()
  expect(done).toEqual(['a0', 'a1', 'b0', 'b1', 'b2'])
})
