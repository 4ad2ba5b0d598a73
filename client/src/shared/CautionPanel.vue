<script setup lang="ts">
import type { Caution } from './api/client';

/** A caution in the form ANSI Z535.6 gives: alert symbol and signal word, then hazard, consequence, avoidance. */
defineProps<{ caution: Caution }>();
</script>

<template>
  <div role="note" class="caution" :class="`signal-${caution.signal.toLowerCase()}`" :aria-label="caution.signal">
    <p class="signal">
      <svg v-if="caution.signal !== 'NOTICE'" width="18" height="16" viewBox="0 0 18 16" aria-hidden="true">
        <path d="M9 .8 17.4 15.2H.6z" fill="currentColor" />
        <path d="M9 5.4v5M9 12v1.6" stroke="var(--signal)" stroke-width="1.9" />
      </svg>
      {{ caution.signal }}
    </p>
    <p class="text">
      <strong>{{ caution.hazard }}</strong> {{ caution.consequence }} {{ caution.avoid }}
    </p>
  </div>
</template>

<style scoped>
.caution {
  --signal: #fbf9f4;
  --on: #22261f;

  display: flex;
  align-items: stretch;
  border: 1.5px solid var(--on);
  color: var(--on);
  background: #fff;
  font-size: 13px;
  line-height: 1.35;
  break-inside: avoid;
}

.signal {
  display: flex;
  align-items: center;
  gap: 6px;
  margin: 0;
  padding: 4px 10px;
  font: 600 17px/1 var(--heading);
  letter-spacing: 0.04em;
  background: var(--signal);
  color: var(--on);
  border-right: 1.5px solid var(--on);
  print-color-adjust: exact;
}

@media screen and (width <= 620px) {
  .caution {
    flex-direction: column;
  }

  .caution .signal {
    border-right: 0;
    border-bottom: 1.5px solid var(--on);
  }
}

.text {
  margin: 0;
  padding: 5px 10px;
}

.signal-danger {
  --signal: #b3261e;
}

.signal-danger .signal {
  color: #fff;
}

.signal-warning {
  --signal: #ee8a1d;
}

.signal-caution {
  --signal: #f2cf3b;
}

.signal-notice {
  --signal: #d5dfe8;
}
</style>
