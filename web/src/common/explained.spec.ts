import { expect, it } from 'vitest'
import { setting } from './settings'

const views = import.meta.glob<string>('../**/*.vue', { query: '?raw', import: 'default', eager: true })

it('explains settings that the schema describes', () => {
  const named = Object.values(views).flatMap((text) =>
    [...text.matchAll(/v-explains="'(\w+)\.([^']+)'"/g)].map((found) => [found[1], found[2]]),
  )
  expect(named.length).toBeGreaterThan(40)
  for (const [of, path] of named) expect(setting(of, path).description, `${of}.${path}`).not.toBe('')
})
