import './theme.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { createRouter, createWebHashHistory } from 'vue-router'
import App from './App.vue'
import { explains } from './common/explained'
import { routes } from './views'

const router = createRouter({ history: createWebHashHistory(), routes })

createApp(App).directive('explains', explains).use(createPinia()).use(router).mount('#app')
