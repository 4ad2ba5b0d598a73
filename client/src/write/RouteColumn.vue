<script setup lang="ts">
import { useElementSize, useScroll } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';

/** The route: phases as stretches, steps as pegs on one path that is worn as far as the cursor has come. */
const draft = useDraft();
const cursor = useCursor();
const box = ref<HTMLElement | null>(null);

// Far enough apart that a finger meets one of them (target size of WCAG 2.2).
const pegGap = 24;
const phaseGap = 34;
const top = 30;

interface Peg {
  id: string;
  number: number;
  x: number;
  y: number;
}

interface Stretch {
  id: string;
  name: string;
  y: number;
}

/** The path wanders a little, the same way each time. */
const wander = (y: number): number => 34 + 12 * Math.sin(y / 47) + 5 * Math.sin(y / 19 + 1);

const layout = computed(() => {
  const pegs: Peg[] = [];
  const stretches: Stretch[] = [];
  let y = top;
  let number = 0;
  for (const phase of draft.phases) {
    stretches.push({ id: phase.id, name: phase.name, y });
    y += phaseGap;
    for (const id of phase.steps) {
      pegs.push({ id, number: ++number, x: wander(y), y });
      y += pegGap;
    }
    y += 14;
  }
  return { pegs, stretches, height: y + 10 };
});

/** The pegs in sight, and some beyond. */
const { y: scrolled } = useScroll(box);
const { height: seen } = useElementSize(box);
const beyond = 600;
const pegs = computed(() =>
  layout.value.pegs.filter((p) => p.y > scrolled.value - beyond && p.y < scrolled.value + (seen.value || beyond) + beyond),
);

function pathTo(end: number): string {
  let d = `M${wander(0).toFixed(1)} 0`;
  for (let y = 6; y <= end; y += 6) d += ` L${wander(y).toFixed(1)} ${y}`;
  return d;
}

const whole = computed(() => pathTo(layout.value.height));
const here = computed(() => layout.value.pegs.find((p) => p.id === cursor.step));
const worn = computed(() => pathTo(here.value?.y ?? 0));
const severity = computed(() => {
  const map = new Map<string, string>();
  for (const finding of draft.findings) if (finding.step && map.get(finding.step) !== 'stop') map.set(finding.step, finding.severity);
  return map;
});

watch(here, (peg) => {
  const area = box.value;
  if (!area || !peg) return;
  if (peg.y < area.scrollTop + 40 || peg.y > area.scrollTop + area.clientHeight - 40) area.scrollTop = peg.y - area.clientHeight / 2;
});
</script>

<template>
  <nav ref="box" class="route" aria-label="Route">
    <svg :width="172" :height="layout.height" aria-hidden="true">
      <path :d="whole" class="ground" />
      <path :d="worn" class="worn" />
    </svg>
    <span v-for="stretch in layout.stretches" :key="stretch.id" class="stretch" :style="{ top: `${stretch.y - 8}px` }">{{
      stretch.name
    }}</span>
    <button
      v-for="peg in pegs"
      :key="peg.id"
      type="button"
      class="peg figures"
      :class="[severity.get(peg.id), { here: peg.id === cursor.step }]"
      :style="{ left: `${peg.x - 11}px`, top: `${peg.y - 9}px` }"
      :aria-label="`Step ${peg.number}${severity.get(peg.id) === 'stop' ? ', stopped by a finding' : ''}`"
      :aria-current="peg.id === cursor.step ? 'step' : undefined"
      @click="cursor.goTo(peg.id)"
    >
      {{ peg.number }}<i v-if="severity.get(peg.id) === 'stop'" aria-hidden="true">!</i>
    </button>
  </nav>
</template>

<style scoped>
.route {
  position: relative;
  overflow: auto;
  background: var(--paper);
}

svg {
  display: block;
}

.ground,
.worn {
  fill: none;
  stroke-width: 9;
  stroke-linecap: round;
  stroke: var(--path);
}

.worn {
  stroke: var(--path-worn);
}

.stretch {
  position: absolute;
  left: 66px;
  right: 4px;
  font: 600 16px/1.05 var(--heading);
}

.peg {
  position: absolute;
  min-width: 22px;
  height: 20px;
  padding: 0 2px;
  font-size: 11px;
  line-height: 17px;
  color: var(--ink);
  background: var(--sheet);
  border: 1.5px solid var(--ink-soft);
  border-radius: 9px;
  cursor: pointer;
  white-space: nowrap;
}

.peg.stop {
  border-color: var(--clay);
  color: var(--clay);
}

.peg i {
  position: absolute;
  left: 100%;
  margin-left: 3px;
  font: 700 13px/15px var(--text);
}

.peg.warn {
  border-color: var(--ochre);
}

.peg.here {
  background: var(--moss);
  border-color: var(--moss);
  color: var(--on-mark);
}

.peg.here.stop {
  background: var(--clay);
  border-color: var(--clay);
}

.peg.here.stop i {
  color: var(--clay);
}

@media (forced-colors: active) {
  .peg.here {
    forced-color-adjust: none;
    color: HighlightText;
    background: Highlight;
    border-color: Highlight;
  }
}
</style>
