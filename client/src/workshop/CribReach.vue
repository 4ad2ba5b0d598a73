<script setup lang="ts">
import { computed } from 'vue';
import type { WorkshopView } from '../shared/api/client';

/** What the torque tools reach, each from where it may be used to the end of its scale: a gap is a value nobody here can set. */
const props = defineProps<{ crib: WorkshopView['crib'] }>();
const [least, most] = [0.5, 2000];
const at = (nm: number): number => (Math.log(Math.min(most, Math.max(least, nm)) / least) / Math.log(most / least)) * 100;
const marks = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000].map((nm) => ({ nm, at: at(nm) }));
const bars = computed(() =>
  props.crib.map((w) => ({
    name: w.cells.name ?? '',
    overdue: w.overdue,
    left: at(w.from),
    width: Math.max(0.6, at(w.to) - at(w.from)),
    says: `${w.cells.name}: ${Math.round(w.from * 10) / 10} to ${Math.round(w.to * 10) / 10} N·m${w.overdue ? `; ${w.overdue}` : ''}`,
  })),
);
</script>

<template>
  <figure v-if="bars.length" aria-label="What the torque tools reach">
    <ul>
      <li v-for="bar in bars" :key="bar.name" :title="bar.says">
        <span class="name">{{ bar.name }}</span>
        <span class="track">
          <span class="bar" :class="{ overdue: bar.overdue }" :style="{ left: `${bar.left}%`, width: `${bar.width}%` }"></span>
        </span>
        <span class="visually-hidden">{{ bar.says }}</span>
      </li>
    </ul>
    <div class="axis figures" aria-hidden="true">
      <span v-for="mark in marks" :key="mark.nm" :style="{ left: `${mark.at}%` }">{{ mark.nm }}</span>
      <em>N·m</em>
    </div>
  </figure>
</template>

<style scoped>
figure {
  margin: 0 0 20px;
  padding: 10px 12px 4px;
  background: var(--sheet);
  border: 1px solid var(--line);
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  display: flex;
  align-items: center;
  gap: 10px;
  height: 21px;
}

.name {
  flex: none;
  width: 92px;
  font-size: 13.5px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.track {
  position: relative;
  flex: 1;
  height: 100%;
  background: linear-gradient(var(--line), var(--line)) center / 100% 1px no-repeat;
}

.bar {
  position: absolute;
  top: 5px;
  bottom: 5px;
  background: var(--slate);
  border-radius: 2px;
}

/* Past its day: hatched, so that it shows without colour, too. */
.bar.overdue {
  background: repeating-linear-gradient(135deg, var(--clay) 0 5px, var(--clay-pale) 5px 9px);
  outline: 1px solid var(--clay);
}

.axis {
  position: relative;
  height: 20px;
  margin: 0 0 0 102px;
  font-size: 11.5px;
  color: var(--ink-soft);
}

.axis span {
  position: absolute;
  transform: translateX(-50%);
}

.axis em {
  position: absolute;
  right: 0;
  font-style: normal;
}

@media (width <= 700px) {
  .axis span:nth-child(even) {
    display: none;
  }
}
</style>
