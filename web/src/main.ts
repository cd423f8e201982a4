import '@fontsource-variable/petrona'
import '@fontsource-variable/petrona/wght-italic.css'
import '@fontsource-variable/atkinson-hyperlegible-next'
import './styles.css'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'
import { cache } from './server/cache'

createApp(App).use(VueQueryPlugin, { queryClient: cache }).use(router).mount('#app')
