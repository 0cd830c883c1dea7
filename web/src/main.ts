import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { createRouter, createWebHashHistory } from 'vue-router'
import App from './App.vue'
import RopesView from './ropes/RopesView.vue'
import './theme.css'

const router = createRouter({
  history: createWebHashHistory(),
  routes: [
    { path: '/', component: RopesView },
    { path: '/effects', component: () => import('./effects/EffectsView.vue') },
    { path: '/handoff', component: () => import('./handoff/HandoffView.vue') },
  ],
})

createApp(App).use(createPinia()).use(router).mount('#app')
