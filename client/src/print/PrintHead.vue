<script setup lang="ts">
import type { PrintView } from '../shared/api/client';
import { day } from '../shared/when';

/** What every print begins with: which sheet, who signed it, whether it may be worked from, where it is to be found as it stands today. */
defineProps<{
  sheet: PrintView;
  open: boolean;
  warns: string;
  /** On a card of one page: who answers for it last, and not everybody before. */
  short?: boolean;
}>();
</script>

<template>
  <header>
    <div>
      <p class="kicker figures">{{ sheet.number }} · revision {{ sheet.letter }}</p>
      <h1>{{ sheet.title }}</h1>
      <p>{{ sheet.platform }}</p>
    </div>
    <div class="where">
      <img :src="sheet.where.picture" alt="The revision as it stands today, to scan" />
      <small>{{ sheet.where.address }}</small>
    </div>
  </header>
  <p v-if="open" class="stamp">{{ sheet.state.toUpperCase() }} – {{ warns.toUpperCase() }}. Not for use on a vehicle.</p>
  <ul v-if="sheet.bulletins.length" class="stamp bulletins" aria-label="Bulletins">
    <li v-for="one in sheet.bulletins" :key="one">{{ one }}</li>
  </ul>
  <ul class="signed">
    <li v-for="sign in short ? sheet.signed.slice(-1) : sheet.signed" :key="sign.for">
      <span>{{ sign.for }}</span> <strong>{{ sign.who }}</strong><template v-if="sign.when">, {{ day(sign.when, 'long') }}</template>
    </li>
    <li v-if="sheet.releasedAt && !open">
      <span>in force from</span> <strong>{{ day(sheet.releasedAt, 'long') }}</strong>
    </li>
  </ul>
</template>

<style scoped>
.where {
  flex: none;
  width: 27mm;
  text-align: center;
}

.where img {
  display: block;
  width: 27mm;
  height: 27mm;
}

.where small {
  display: block;
  margin: 0;
  font-size: 9px;
  line-height: 1.2;
  overflow-wrap: anywhere;
}

.stamp {
  margin: 8px 0 0;
  text-align: center;
  border: 2px solid #000;
  padding: 5px 10px;
  font-size: 13px;
  font-weight: 700;
}

.bulletins {
  list-style: none;
  text-align: left;
}

.signed {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 22px;
  margin: 8px 0 0;
  padding: 0 0 8px;
  border-bottom: 1px solid #000;
  list-style: none;
  font-size: 13px;
}

.signed span {
  color: #333;
}

header {
  display: flex;
  justify-content: space-between;
  gap: 20px;
  border-bottom: 2px solid #000;
  padding-bottom: 8px;
}

header p {
  margin: 0;
}

.kicker {
  font-size: 13px;
}

@media screen and (width <= 900px) {
  header {
    flex-wrap: wrap;
  }
}
</style>
