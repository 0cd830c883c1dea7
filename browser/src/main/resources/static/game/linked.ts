// A stage that is linked with Bellrope. See docs/web-games.md.

import { Refused, Stage, type Account, type Pull, type Value, type Vec } from './bellrope.js'
import { Link, type Linking } from './link.js'

/** Where a subject looks like another: see `Linking.looks`. */
export interface Moved {
  heading?: Vec
  velocity?: Vec
  look?: string
}

/**
 * A stage whose doings are said to the benches that follow, and into which comes whatever is saved there. Without a server,
 * or when that goes, the game plays on with the bundle it has.
 */
export class LinkedStage extends Stage {
  private link!: Link

  /**
   * Opens a stage and begins to look for the server; the link comes when it comes.
   *
   * @param core the bytes of core.wasm
   * @param bundle that the game ships with, as text
   * @throws Refused if something in the bundle is wrong
   */
  static async link(core: BufferSource, bundle: string, linking: Linking): Promise<LinkedStage> {
    const stage = new LinkedStage(await Stage.loaded(core))
    const json = JSON.parse(bundle) as object
    stage.begin(json)
    stage.linkBy(new Link(json, await hashed(bundle), linking))
    return stage
  }

  protected linkBy(link: Link) {
    this.link = link
    link.open()
  }

  /** Whether the server is there now. */
  get linked(): boolean {
    return this.link.linked
  }

  /** The bundle that plays, as it was parsed. */
  get bundle(): object {
    return this.link.bundle
  }

  /** How many of the things said nobody has taken, because they were too many while no server was there. */
  get dropped(): number {
    return this.link.dropped
  }

  /** Takes what has changed on the bench, if anything has, and advances; returns how many steps were made. */
  override advance(seconds: number): number {
    const changed = this.link.takeChanged()
    if (changed) {
      try {
        this.retune(changed.bundle)
        this.link.took(changed, this.now)
      } catch (e) {
        if (!(e instanceof Refused)) throw e
        this.link.refused(e.message)
      }
    }
    const made = super.advance(seconds)
    this.link.at(this.now)
    return made
  }

  override pull(pull: Pull): Account {
    const seeded = this.seeded(pull)
    const account = super.pull(seeded)
    const { event, phase, subject, value, payload, velocity, tags, seed } = seeded
    this.say(event, {
      phase: phase === 'begin' || phase === 'end' ? phase : undefined,
      value,
      subject,
      tags: tags?.length ? tags.join(',') : undefined,
      velocity,
      // Never in powers of ten.
      seed: BigInt(Math.trunc(seed)).toString(),
      data: phase === 'end' ? undefined : payload,
    })
    return account
  }

  override publish(channel: string, value: number) {
    // Said first: that the project has no such channel is for the bench to know.
    if (Number.isFinite(value)) this.say(`channel.${channel}`, { data: { value } })
    super.publish(channel, value)
  }

  /** Says where a subject is, which way it faces, how it moves until it is said again, and which of the looks it has. */
  override move(subject: string, position: Vec, heading?: Vec, velocity?: Vec, look?: string) {
    super.move(subject, position, heading, velocity)
    this.say('subject.moved', { subject, data: { position, heading, velocity, look } })
  }

  override gone(subject: string): Account {
    const account = super.gone(subject)
    this.say('subject.gone', { subject })
    return account
  }

  override camera(position: Vec) {
    super.camera(position)
    this.say('camera.moved', { data: { position } })
  }

  override reset() {
    super.reset()
    this.say('stage.reset', {})
  }

  override clear() {
    super.clear()
    this.say('stage.cleared', {})
  }

  override set(instance: number, parameter: string, value: Value): boolean {
    const [account, rope] = this.of(instance)
    const plays = super.set(instance, parameter, value)
    if (plays) this.say('parameter.set', { data: { account, rope, parameter, value } })
    return plays
  }

  /**
   * Says the checksum of what the stage shows now, so that a bench that follows can tell whether it shows the same. Costs as
   * much as a frame; once a second is often.
   */
  check() {
    this.say('frame.checked', { data: { sum: this.sum() } })
  }

  private say(type: string, more: object) {
    this.link.say(this.now, type, more)
  }

  /** Says what is left to say, and ends the link; the stage stays as it is. */
  close() {
    this.link.close()
  }
}

// Where a page may not work it out (it is neither on this machine nor secure), the server sends the whole bundle once.
async function hashed(text: string): Promise<string | undefined> {
  if (!globalThis.crypto?.subtle) return undefined
  const bytes = new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text)))
  return Array.from(bytes, (b) => b.toString(16).padStart(2, '0')).join('')
}
