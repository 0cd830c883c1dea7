import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it } from 'vitest'
import { defineComponent, ref } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { useOpened } from './useOpened'

const nothing = defineComponent(() => () => null)

beforeEach(() => setActivePinia(createPinia()))

async function view(address: string, first = 0) {
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
  let said = () => 0
  mount(
    defineComponent({
      setup() {
        said = useOpened('rope', opened, (id) => {
          asked.push(id)
          opened.value = id
        }).said
        return () => null
      },
    }),
    { global: { plugins: [router] } },
  )
  await flushPromises()
  return { router, opened, asked, arrive, said: () => said() }
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
