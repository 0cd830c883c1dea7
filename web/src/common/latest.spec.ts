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
