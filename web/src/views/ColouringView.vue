<script setup lang="ts">
import { useClient } from '@/composables/useClient'
const { client } = useClient()
</script>
<template><section>{{ client?.name }}</section></template>
