<script setup lang="ts">
import { computed } from 'vue';
import type { Glyph } from './api/client';
import { glyphName } from './glyphNames';

/** The state of a joint as a small drawing; its name is read to those who do not see it. */
const props = defineProps<{ glyph: Glyph; size?: number; silent?: boolean }>();

const name = computed(() => glyphName(props.glyph));
const size = computed(() => props.size ?? 18);
/** The filled part of a pass ring, as the end of an arc. */
const arc = computed(() => {
  const part = Math.min(0.999, props.glyph.of > 0 ? props.glyph.pass / props.glyph.of : 0.5);
  const angle = 2 * Math.PI * part;
  return `M10 10 L10 3 A7 7 0 ${part > 0.5 ? 1 : 0} 1 ${10 + 7 * Math.sin(angle)} ${10 - 7 * Math.cos(angle)} Z`;
});
</script>

<template>
  <svg
    :width="size"
    :height="size"
    viewBox="0 0 20 20"
    class="glyph"
    :class="glyph.stage"
    :role="silent ? undefined : 'img'"
    :aria-label="silent ? undefined : name"
    :aria-hidden="silent ? true : undefined"
  >
    <circle v-if="glyph.stage === 'tight'" cx="10" cy="10" r="7" class="full" />
    <g v-else-if="glyph.stage === 'brokenLoose'" transform="rotate(30 10 10)">
      <circle cx="10" cy="10" r="7" />
      <path d="M10 3 A7 7 0 0 0 10 17 Z" class="full" />
    </g>
    <g v-else-if="glyph.stage === 'backedOut'" transform="rotate(60 10 10)">
      <circle cx="10" cy="10" r="7" />
      <path d="M6 4.2 A7 7 0 0 0 6 15.8 Z" class="full" />
    </g>
    <circle v-else-if="glyph.stage === 'out'" cx="10" cy="10" r="7" />
    <g v-else-if="glyph.stage === 'started'">
      <circle cx="10" cy="10" r="7" />
      <circle cx="10" cy="10" r="2.2" class="full" />
    </g>
    <g v-else-if="glyph.stage === 'snug'">
      <circle cx="10" cy="10" r="7" />
      <path d="M10 3 A7 7 0 0 1 10 17 Z" class="full" />
    </g>
    <g v-else-if="glyph.stage === 'pass'">
      <circle cx="10" cy="10" r="7" />
      <path :d="arc" class="full" />
    </g>
    <g v-else>
      <circle cx="10" cy="10" r="8.6" class="ring" />
      <circle cx="10" cy="10" r="6" class="full" />
      <path v-if="glyph.stage === 'aligned'" d="M10 4v4" class="cut" />
      <path v-if="glyph.stage === 'locked'" d="M4.5 10h11" class="cut" />
      <path v-if="glyph.stage === 'marked'" d="M6 14.5 14 5.5" class="cut" />
    </g>
    <path v-if="glyph.some" d="M18.9 6v8" />
  </svg>
</template>

<style scoped>
.glyph {
  flex: none;
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.6;
  vertical-align: -3px;
}

.glyph .full {
  fill: currentcolor;
  stroke: none;
}

.glyph .ring {
  stroke-width: 1.1;
}

.glyph .cut {
  stroke: var(--paper);
  stroke-width: 2.4;
}
</style>
