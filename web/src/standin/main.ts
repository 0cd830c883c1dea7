import '../theme.css'
import { createApp } from 'vue'
import StandIn from './StandIn.vue'

createApp(StandIn).mount('#app')
