import { LinkedStage } from '../../../browser/src/main/resources/static/game/linked'
import type { Linking } from '../../../browser/src/main/resources/static/game/link'
import { cut } from '../stage/sprites'
import type { Sheet } from '../api/bundle'
import bundleAt from '../../../format/src/main/resources/bellrope/windrow.bellrope.json?url'
import type { Fault } from './faults'
import { LOOKS } from './looks'
import { CAN, RATE, World } from './world'

/** What a game of Windrow Post begins with. */
export interface Wish {
  seed: number
  /** Address of the link; none for a game on its own. */
  link: string
  faults: ReadonlySet<Fault>
  listener?: Pick<Linking, 'linked' | 'unlinked' | 'wrong'>
}

/** A game that runs: its world, and the stage on which its effects play. */
export interface Game {
  world: World
  stage: LinkedStage
  /** Makes some steps: the world's, and with it the stage's. */
  step(count: number): void
}

/** The stage's frames are compared with what a bench shows, so often. */
const CHECK_EACH = 2 * RATE

/** Opens a game. The bundle it ships with is the one it was built with. */
export async function openGame(wish: Wish): Promise<Game> {
  const [core, bundle] = await Promise.all([
    fetch('/core/core.wasm').then((answer) => answer.arrayBuffer()),
    fetch(bundleAt).then((answer) => answer.text()),
  ])
  const asked: string[] = []
  const stage = await LinkedStage.link(core, bundle, {
    game: 'Windrow Post',
    server: wish.link,
    can: CAN,
    looks: Object.values(LOOKS),
    ...wish.listener,
    asked: (what) => asked.push(what),
  })
  const world = new World(wish.seed, stage, wish.faults)
  return {
    world,
    stage,
    step(count) {
      asked.splice(0).forEach((what) => world.ask(what))
      for (let i = 0; i < count; i++) {
        // A hit pause holds the world for as many steps as it lasts, so that it is the same whoever draws.
        if (stage.comfort().paused <= 0) world.step()
        stage.advance(1 / RATE)
        if (world.now % CHECK_EACH === 0) stage.check()
      }
      for (const told of stage.told()) if (told.name === 'hide the courier') world.hidden = true
    },
  }
}

/** Returns the frames of a bundle's sprites: those that it brings itself, and those that come with Bellrope. */
export function spritesOf(bundle: object): Promise<ImageData[][]> {
  const { sprites } = bundle as { sprites: { name: string; picture?: string; sheet?: Sheet }[] }
  return Promise.all(
    sprites.map(async ({ name, picture, sheet }) => {
      const png = picture
        ? new Blob([Uint8Array.from(atob(picture), (c) => c.charCodeAt(0))], { type: 'image/png' })
        : await (await fetch(`/api/sprites/${encodeURIComponent(name)}`)).blob()
      return cut(await createImageBitmap(png, { premultiplyAlpha: 'none' }), sheet)
    }),
  )
}
