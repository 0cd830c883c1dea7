import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it } from 'vitest'
import { defineComponent, ref } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { useOpened } from './useOpened'

const nothing = defineComponent(() => () => null)

beforeEach(() => setActivePinia(createPinia()))

async function view(address: string, first = 0, part = '') {
  let arrive = () => {}
  const arrived = new Promise<void>((done) => (arrive = done))
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/', component: nothing },
      { path: '/effects', component: nothing },
      { path: '/far', component: () => arrived.then(() => nothing) },
    ],
  })
  await router.push(address)
  const opened = ref(first)
  const asked: number[] = []
  const inside = ref(part)
  let said = () => 0
  mount(
    defineComponent({
      setup() {
        const within = {
          what: 'part',
          opened: () => inside.value,
          open: (name: string) => (inside.value = name),
        }
        const open = (id: number) => {
          asked.push(id)
          opened.value = id
          inside.value = ''
        }
        said = useOpened('rope', opened, open, [within]).said
        return () => null
      },
    }),
    { global: { plugins: [router] } },
  )
  await flushPromises()
  return { router, opened, inside, asked, arrive, said: () => said() }
}

it('leaves the address alone until something is open', async () => {
  const { router, said } = await view('/?project=3&rope=5')
  expect(router.currentRoute.value.fullPath).toBe('/?project=3&rope=5')
  expect(said()).toBe(5)
})

it('says what is open, and goes back to what was', async () => {
  const { router, opened, asked } = await view('/?project=3')
  opened.value = 5
  await flushPromises()
  expect(router.currentRoute.value.query).toEqual({ project: '3', rope: '5' })
  opened.value = 6
  await flushPromises()
  router.back()
  await flushPromises()
  expect(opened.value).toBe(5)
  expect(asked).toEqual([5])
  expect(router.currentRoute.value.query.rope).toBe('5')
})

it('takes what is closed out of the address', async () => {
  const { router, opened } = await view('/?rope=5', 5)
  opened.value = 0
  await flushPromises()
  expect(router.currentRoute.value.query).toEqual({})
})

it('writes nothing into the address of another view', async () => {
  const { router, opened } = await view('/?rope=5', 5)
  await router.push('/effects')
  opened.value = 6
  await flushPromises()
  expect(router.currentRoute.value.fullPath).toBe('/effects')
})

it('does not hold up whoever is on the way to another view', async () => {
  const { router, opened, arrive } = await view('/?project=3')
  void router.push('/far')
  await flushPromises()
  opened.value = 5
  await flushPromises()
  arrive()
  await flushPromises()
  expect(router.currentRoute.value.fullPath).toBe('/far')
})

it('says what is open inside it, which is no step to go back to', async () => {
  const { router, opened, inside } = await view('/?rope=5', 5)
  inside.value = 'sparks'
  await flushPromises()
  expect(router.currentRoute.value.query).toEqual({ rope: '5', part: 'sparks' })
  opened.value = 6
  inside.value = ''
  await flushPromises()
  expect(router.currentRoute.value.query).toEqual({ rope: '6' })
  router.back()
  await flushPromises()
  expect([opened.value, inside.value]).toEqual([5, 'sparks'])
})

it('opens what an address says inside what is open', async () => {
  const { inside } = await view('/?rope=5&part=sparks', 5)
  expect(inside.value).toBe('sparks')
})

it('is not led back by an address that it was still writing', async () => {
  const { router, opened, asked } = await view('/?project=3')
  // The way to 5 is held up; 6 is opened meanwhile.
  let go = () => {}
  const held = new Promise<void>((done) => (go = done))
  const stop = router.beforeResolve(() => held)
  opened.value = 5
  await flushPromises()
  opened.value = 6
  await flushPromises()
  stop()
  go()
  await flushPromises()
  expect(asked).toEqual([])
  expect(router.currentRoute.value.query.rope).toBe('6')
})
