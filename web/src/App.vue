<script setup lang="ts">
import { NConfigProvider } from 'naive-ui'
import { computed } from 'vue'
import { RouterView, useRoute } from 'vue-router'
import AppHeader from './components/base/AppHeader.vue'
import TheTip from './components/base/TheTip.vue'
import { useSurround } from './composables/useSurround'
import { naiveTheme } from './theme'

const surround = useSurround()
const route = useRoute()
const theme = computed(() => naiveTheme(surround.value))
</script>

<template>
  <NConfigProvider :theme-overrides="theme" inline-theme-disabled class="app">
    <AppHeader v-if="!route.meta.bare" />
    <main class="place"><RouterView /></main>
    <TheTip />
  </NConfigProvider>
</template>

<style scoped>
.app {
  height: 100%;
  display: flex;
  flex-direction: column;
}
.place {
  flex: 1;
  min-height: 0;
}
</style>
