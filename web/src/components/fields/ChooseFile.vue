<script setup lang="ts">
import { NButton, NUpload, NUploadTrigger, type UploadFileInfo, type UploadInst } from 'naive-ui'
import { ref } from 'vue'

/** A button that asks for a file of this machine, or for several; the same one may be chosen again. */
defineOptions({ inheritAttrs: false })
defineProps<{ accept: string; label: string; several?: boolean; disabled?: boolean; firm?: boolean; word?: boolean }>()
const emit = defineEmits<{ files: [files: File[]] }>()
const upload = ref<UploadInst | null>(null)
/** Asks for files as the button does, for a key. */
defineExpose({ ask: () => upload.value?.openOpenFileDialog() })
let waiting: File[] = []
/** Naive tells of each chosen file by itself, one tick after the other; they are handed on together. */
function changed({ file }: { file: UploadFileInfo }) {
  if (!file.file) return
  waiting.push(file.file)
  if (waiting.length === 1)
    setTimeout(() => {
      const files = waiting
      waiting = []
      emit('files', files)
    })
}
</script>

<template>
  <NUpload
    ref="upload"
    abstract
    :accept="accept"
    :multiple="several"
    :disabled="disabled"
    :default-upload="false"
    :file-list="[]"
    :input-props="{ 'aria-label': label }"
    @change="changed"
  >
    <NUploadTrigger v-slot="{ handleClick }" abstract>
      <NButton
        :type="firm ? 'primary' : 'default'"
        :text="word"
        v-bind="$attrs"
        :class="{ 'word link': word }"
        :disabled="disabled"
        @click="handleClick"
      >
        <slot>{{ label }}</slot>
      </NButton>
    </NUploadTrigger>
  </NUpload>
</template>
