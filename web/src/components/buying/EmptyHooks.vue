<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui'
import { ref } from 'vue'
import type { Gap, GapPair } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import { drapedCloth } from '@/lib/draped'
import { listed } from '@/lib/buying'
import { plural } from '@/lib/words'

/** What is missing: cloth on empty hooks, as a region of colour each, most opening first. */
defineProps<{ gaps: Gap[]; pair: GapPair | null; share: number; busy: boolean; noted: Set<string> }>()
const emit = defineEmits<{ look: [gap: Gap]; stop: [] }>()
const kinds = (gap: Gap) => listed(gap.categories.map((one) => one.replace('-', ' ')))
/** The colours in which it opens nearly as many, and the ground of a pattern. */
const rim = (gap: Gap) => [...new Set([...gap.hexes.slice(1), ...gap.region])]
const all = ref(false)
const FIRST = 8
const key = (gap: Gap) => gap.category + gap.lab.join()
</script>

<template>
  <div class="hooks">
    <div v-if="busy" class="busy" role="status">
      <NProgress type="line" :percentage="Math.round(100 * share)" :show-indicator="false" />
      <span>Looking for what is missing…</span>
      <NButton size="small" @click="emit('stop')">Stop</NButton>
    </div>
    <div class="rod" aria-hidden="true" />
    <ul class="row" aria-label="What is missing">
      <li v-for="gap in all ? gaps : gaps.slice(0, FIRST)" :key="key(gap)">
        <span class="hook" aria-hidden="true" />
        <span class="region" aria-hidden="true">
          <PinkedSwatch :hex="gap.hex" :picture="drapedCloth(gap.hex)" :width="112" :height="104" hanging />
          <span class="rim">
            <PinkedSwatch v-for="hex in rim(gap)" :key="hex" :hex="hex" :width="28" :height="24" />
          </span>
        </span>
        <span class="told">
          <strong>{{ gap.name }}</strong>
          <span>opens {{ plural(gap.opens, 'look') }}</span>
          <span>as good within {{ gap.within.toFixed(0) }} CIEDE2000</span>
          <span v-if="gap.categories.length > 1">as {{ kinds(gap) }}</span>
          <NButton size="small" :disabled="noted.has(gap.name)" @click="emit('look', gap)">
            {{ noted.has(gap.name) ? 'On the wish list' : 'Look for it' }}
          </NButton>
        </span>
      </li>
    </ul>
    <NButton v-if="gaps.length > FIRST" text class="word more" @click="all = !all">
      {{ all ? 'the first only' : `all ${gaps.length}` }}
    </NButton>
    <section v-if="pair" class="pair" aria-label="Two that belong together">
      <h3>Two that belong together</h3>
      <span class="both" aria-hidden="true">
        <PinkedSwatch :hex="pair.first.hex" :picture="drapedCloth(pair.first.hex)" :width="60" :height="56" />
        <span class="stitch" />
        <PinkedSwatch :hex="pair.second.hex" :picture="drapedCloth(pair.second.hex)" :width="60" :height="56" />
      </span>
      <p>
        <strong>{{ pair.first.name }}</strong> and <strong>{{ pair.second.name }}</strong>:
        {{ plural(pair.both, 'look') }} with both, which neither opens alone. By itself the first opens
        {{ pair.first.opens }}, the second {{ pair.second.opens }}.
      </p>
    </section>
    <p v-if="!busy && !gaps.length" class="none">
      No one piece would open a good look. A top, a lower half and shoes are needed before looks can be counted.
    </p>
  </div>
</template>

<style scoped>
.hooks {
  height: 100%;
  overflow: auto;
  padding: 10px 18px 18px;
  display: flex;
  flex-direction: column;
}
.busy {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 6px 10px;
  background: var(--paper);
  color: var(--ink);
}
.busy span {
  white-space: nowrap;
}
.rod {
  height: 5px;
  background: var(--rule);
  margin-top: 14px;
  flex: none;
}
.row {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(136px, 1fr));
  gap: 18px 12px;
}
li {
  display: grid;
  justify-items: center;
  grid-template-rows: 18px auto 1fr;
}
.hook {
  width: 12px;
  height: 18px;
  border: 2px solid var(--on-cloth);
  border-bottom: 0;
  border-left-color: transparent;
  border-radius: 8px 8px 0 0;
}
.region {
  display: grid;
  width: 112px;
  padding-bottom: 6px;
}
.rim {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
}
.more {
  align-self: flex-start;
}
.told {
  display: grid;
  justify-items: center;
  text-align: center;
  align-content: start;
  font-size: 12.5px;
  line-height: 1.3;
  gap: 1px;
}
.told strong::first-letter,
.pair strong:first-child::first-letter {
  text-transform: uppercase;
}
.told .n-button {
  margin-top: 4px;
}
.pair {
  margin-top: 16px;
  background: var(--paper);
  color: var(--ink);
  padding: 10px 14px;
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 4px 16px;
  align-items: center;
}
.pair h3 {
  grid-column: 1 / -1;
}
.both {
  display: grid;
  grid-template-columns: 60px 30px 60px;
  align-items: center;
}
.stitch {
  border-top: 2px dashed var(--ink);
}
.none {
  padding: 20px 0;
}
</style>
