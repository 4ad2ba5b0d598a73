<script setup lang="ts">
import { computed } from 'vue';
import type { Readiness } from '../shared/api/client';
import { useCursor } from '../shared/cursor';

/** The plan of the work in time: each step as a stretch, the chain that decides the end in full ink. Waiting is drawn thin: the scale is of the work. */
const props = defineProps<{ plan: Readiness['plan'] }>();
const cursor = useCursor();

/** Hours of waiting would leave nothing to see of the work: each wait is drawn as this many minutes, and its true length written on it. */
const shortWait = 14;
const shown = computed(() => {
  // Times are squeezed where nobody works.
  const work = props.plan.steps.map((s) => ({ from: s.start, to: s.start + s.handsOn })).sort((a, b) => a.from - b.from);
  const gaps: { from: number; to: number }[] = [];
  let reached = 0;
  for (const stretch of [...work, { from: props.plan.elapsedMinutes, to: props.plan.elapsedMinutes }]) {
    if (stretch.from - reached > shortWait) gaps.push({ from: reached, to: stretch.from });
    reached = Math.max(reached, stretch.to);
  }
  const place = (t: number): number => {
    let at = t;
    for (const gap of gaps) {
      if (t <= gap.from) break;
      at -= Math.max(0, Math.min(t, gap.to) - gap.from) - (shortWait * Math.max(0, Math.min(t, gap.to) - gap.from)) / (gap.to - gap.from);
    }
    return at;
  };
  const end = Math.max(1, place(props.plan.elapsedMinutes));
  const percent = (t: number): number => (100 * place(t)) / end;
  return props.plan.steps.map((s) => ({
    ...s,
    left: percent(s.start),
    work: Math.max(0.5, percent(s.start + s.handsOn) - percent(s.start)),
    rest: Math.max(0, percent(s.finish) - percent(s.start + s.handsOn)),
  }));
});
const minutes = (value: number): string =>
  value >= 60
    ? `${Math.floor(value / 60)} h ${Math.round(value % 60) ? `${Math.round(value % 60)} min` : ''}`.trim()
    : `${Math.round(value * 10) / 10} min`;
</script>

<template>
  <section class="chain" aria-labelledby="chain">
    <h2 id="chain">Time, and the critical chain</h2>
    <p class="quiet">
      In full ink what decides the end: a minute more there is a minute more for the job. Times are reckoned from what a step does; write
      your own beside a step in Write. Long waits are drawn short.
    </p>
    <ol>
      <li v-for="(step, i) in shown" :key="i" :class="{ critical: step.critical }">
        <button
          v-if="step.number"
          type="button"
          class="figures number"
          :aria-label="`Go to step ${step.number}`"
          @click="cursor.goToNumber(step.number)"
        >
          {{ step.number }}
        </button>
        <span v-else class="number"></span>
        <span class="what" :title="step.what">{{ step.what }}</span>
        <span class="figures minutes"
          >{{ step.handsOn ? minutes(step.handsOn) : '' }}<template v-if="step.people > 1"> × {{ step.people }}</template
          ><template v-if="step.waits">{{ step.handsOn ? ' + ' : '' }}{{ minutes(step.waits) }} wait</template></span
        >
        <span class="bar" aria-hidden="true">
          <i v-if="step.handsOn" class="work" :style="{ left: `${step.left}%`, width: `${step.work}%` }"></i>
          <i v-if="step.waits" class="rest" :style="{ left: `${step.left + (step.handsOn ? step.work : 0)}%`, width: `${step.rest}%` }"></i>
        </span>
        <span v-if="step.critical" class="visually-hidden">on the critical chain</span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.chain {
  margin-top: 26px;
}

.chain > p {
  margin: 2px 0 6px;
}

ol {
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  display: grid;
  grid-template-columns: 30px minmax(0, 260px) 150px minmax(0, 1fr);
  gap: 10px;
  align-items: center;
  height: 26px;
  font-size: 13.5px;
  color: var(--ink-soft);
}

li.critical {
  color: var(--ink);
  font-weight: 600;
}

.number {
  min-height: 24px;
  font-size: 12.5px;
  color: inherit;
  text-align: right;
  background: none;
  border: 0;
  padding: 0;
  cursor: pointer;
}

button.number {
  text-decoration: underline;
}

.what {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.minutes {
  font-size: 12.5px;
  font-weight: 400;
  text-align: right;
}

.bar {
  position: relative;
  height: 100%;
  border-left: 1px solid var(--line-strong);
}

.work,
.rest {
  position: absolute;
  top: 6px;
  height: 11px;
  background: none;
  border: 1.5px solid var(--line-strong);
}

.critical .work {
  background: var(--moss);
  border-color: var(--moss);
}

.rest {
  top: 10px;
  height: 3px;
  border: 0;
  border-top: 3px dotted var(--line-strong);
}

.critical .rest {
  border-top-color: var(--ochre-mark);
}
</style>
