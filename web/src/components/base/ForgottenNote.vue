<script setup lang="ts">
/** Says what is gone and offers it back. */
defineProps<{ told: string }>()
defineEmits<{ back: [] }>()
</script>

<template>
  <p role="status" class="forgotten">
    {{ told }} <button class="word" type="button" @click="$emit('back')">take it back</button>
  </p>
</template>

<style scoped>
.word {
  text-decoration: underline;
  padding: 0;
}
</style>
