<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Need, Piece } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import { plural } from '@/lib/words'

/** Every piece as a strip as long as the number of looks it is in; the unused at the end, with what they would need. */
const { uses, asked, need, pointed } = defineProps<{
  uses: { piece: Piece; count: number }[]
  /** The piece whose need is asked for. */
  asked: string | null
  need: Need | null
  pointed: string[]
}>()
const emit = defineEmits<{ ask: [piece: string | null]; makeWith: [piece: string]; point: [pieces: string[]] }>()
const most = computed(() => Math.max(1, ...uses.map((one) => one.count)))
const used = computed(() => uses.filter((one) => one.count > 0))
const unused = computed(() => uses.filter((one) => one.count === 0))
const piece = computed(() => uses.find((one) => one.piece.id === asked)?.piece ?? null)
const LONGEST = 58
const long = (count: number) => 14 + ((LONGEST - 14) * count) / most.value
</script>

<template>
  <section class="uses" aria-label="What hangs in them">
    <div class="strips">
      <h3>What hangs in them</h3>
      <ul>
        <li v-for="{ piece: one, count } in used" :key="one.id">
          <span
            class="strip"
            role="img"
            :aria-label="`${one.label}: in ${plural(count, 'look')}`"
            :data-tip="`${one.label}: in ${plural(count, 'look')}`"
            :class="{ faint: pointed.length && !pointed.includes(one.id) }"
            @mouseenter="emit('point', [one.id])"
            @mouseleave="emit('point', [])"
          >
            <PinkedSwatch
              hanging
              :hex="one.colours[0]?.hex ?? ''"
              :picture="one.cloth"
              :width="15"
              :height="long(count)"
            />
          </span>
        </li>
      </ul>
    </div>
    <div v-if="unused.length" class="unused">
      <h3>In none · {{ unused.length }}</h3>
      <ul>
        <li v-for="{ piece: one } in unused" :key="one.id">
          <NButton
            text
            class="word chip"
            :aria-label="`What the ${one.label} would need`"
            :aria-pressed="asked === one.id"
            :data-tip="one.label"
            @click="emit('ask', asked === one.id ? null : one.id)"
          >
            <PinkedSwatch :hex="one.colours[0]?.hex ?? ''" :picture="one.cloth" :width="18" :height="20" />
          </NButton>
        </li>
      </ul>
      <p v-if="piece" class="need" role="status">
        <strong>{{ piece.label }}</strong>: {{ need ? need.text : '…' }}
        <NButton v-if="need?.good" text class="word" @click="emit('makeWith', piece.id)">make looks with it</NButton>
      </p>
    </div>
  </section>
</template>

<style scoped>
.uses {
  display: flex;
  gap: 20px;
  padding: 8px 18px;
  background: var(--paper);
  color: var(--ink);
  border-top: 1px solid var(--line);
  min-height: 104px;
}
.strips {
  flex: 1;
  min-width: 0;
}
h3 {
  font:
    650 13px/1.3 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin: 0 0 4px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  gap: 3px;
  align-items: flex-start;
  overflow-x: auto;
}
.strip {
  display: block;
  width: 15px;
}
.faint {
  opacity: 0.3;
}
.unused {
  width: 250px;
  border-left: 2px dashed var(--line);
  padding-left: 14px;
}
.chip {
  width: 20px;
  padding: 0;
}
.chip :deep(.n-button__content) {
  width: 18px;
}
.need {
  font-size: 12.5px;
  line-height: 1.3;
}
.need .word {
  padding: 0;
  text-decoration: underline;
}
</style>
