import '@fontsource-variable/petrona'
import '@fontsource-variable/petrona/wght-italic.css'
import '@fontsource-variable/atkinson-hyperlegible-next'
import './styles.css'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'

createApp(App).use(router).mount('#app')
