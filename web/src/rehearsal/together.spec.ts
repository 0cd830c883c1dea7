import { describe, expect, it } from 'vitest'
import { playTogether, type Player } from './together'

const later = (ms: number) => new Promise((done) => setTimeout(done, ms))
const always = () => true

describe('runs that several play', () => {
  const play = async (players: Player[], runs: number, wanted = always) => {
    const taken: number[] = []
    await playTogether(
      players,
      0,
      runs,
      async (run) => {
        await later(1)
        taken.push((run as { run: number }).run)
      },
      wanted,
    )
    return taken
  }
  const quick: Player = async (run) => (await later(1), { run })
  const slow: Player = async (run) => (await later(12), { run })

  it('are taken in one after the other, whoever was quicker', async () => {
    expect(await play([slow, quick], 20)).toEqual([...Array(20).keys()])
  })
  it('are each played once, by all of them', async () => {
    const mine: number[][] = [[], []]
    const counting =
      (i: number): Player =>
      async (run) => {
        mine[i].push(run)
        await later(3)
        return { run }
      }
    await play([counting(0), counting(1)], 30)
    expect([...mine[0], ...mine[1]].sort((a, b) => a - b)).toEqual([...Array(30).keys()])
    expect(mine[0].length).toBeGreaterThan(5)
    expect(mine[1].length).toBeGreaterThan(5)
  })
  it('go on without a player that breaks', async () => {
    const broken: Player = async (run) => {
      await later(2)
      if (run > 3) throw new Error('out of memory')
      return { run }
    }
    expect(await play([quick, broken], 12)).toEqual([...Array(12).keys()])
  })
  it('are played by the others where one breaks at the very last', async () => {
    const broken: Player = async (run) => {
      await later(run === 5 ? 40 : 1)
      if (run === 5) throw new Error('out of memory')
      return { run }
    }
    const first: Player = async (run) => (await later(3), { run })
    expect(await play([first, broken], 6)).toEqual([...Array(6).keys()])
  })
  it('fail with the reason when all of them break', async () => {
    const broken: Player = () => Promise.reject(new Error('out of memory'))
    await expect(play([broken, broken], 4)).rejects.toThrow('out of memory')
  })
  it('fail where what takes them in does', async () => {
    await expect(
      playTogether([quick, slow], 0, 6, () => Promise.reject(new Error('another run')), always),
    ).rejects.toThrow('another run')
  })
  it('go on where they were left', async () => {
    const taken: number[] = []
    const take = async (run: object) => void taken.push((run as { run: number }).run)
    await playTogether([quick], 7, 10, take, always)
    expect(taken).toEqual([7, 8, 9])
  })
  it('stop when they are not wanted any more', async () => {
    let played = 0
    const counting: Player = async (run) => (played++, await later(1), { run })
    const taken = await play([counting], 100, () => played < 5)
    expect(played).toBe(5)
    expect(taken.length).toBeLessThanOrEqual(5)
  })
})
