<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue';
import OutboxButton from '../outbox/OutboxButton.vue';
import type { Someone } from '../shared/api/client';
import { useDraft } from '../shared/draft';
import SeverityMark from '../shared/SeverityMark.vue';
import KeptNote from './KeptNote.vue';
import PersonButton from './PersonButton.vue';
import StateTag from '../shared/StateTag.vue';
import { useComments } from '../shared/comments';
import { useFaces } from './faces';
import { useWalkAs } from '../shared/walkAs';
import { weights } from '../shared/weights';

const WalkAsButton = defineAsyncComponent(() => import('./WalkAsButton.vue'));
const draft = useDraft();
const walkAs = useWalkAs();
const comments = useComments();
defineProps<{ here: Someone[] }>();
defineEmits<{ findings: []; keys: []; go: [] }>();
const faces = useFaces();
const initials = (name: string): string =>
  name
    .split(' ')
    .map((w) => w[0] ?? '')
    .join('')
    .slice(0, 2);
const counts = computed(() =>
  weights.map((severity) => ({ severity, count: draft.findings.filter((f) => f.severity === severity).length })).filter((c) => c.count > 0),
);
</script>

<template>
  <header class="bar">
    <router-link to="/" class="mark" aria-label="Worn Path, to the shelf"
      ><img src="/mark.svg" alt="" width="26" height="26"
    /></router-link>
    <div v-if="draft.revision" class="where">
      <span class="number figures">{{ draft.revision.number }}</span>
      <span class="title" :title="draft.revision.title">{{ draft.revision.title }}</span>
      <StateTag :state="draft.revision.state" :letter="draft.revision.letter" />
    </div>
    <nav v-if="draft.revision" aria-label="Faces of the procedure">
      <router-link v-for="face in faces" :key="face.name" :to="{ name: face.name, params: { id: draft.revision.id } }" class="face">{{
        face.label
      }}</router-link>
    </nav>
    <div class="right">
      <KeptNote v-if="draft.revision" />
      <OutboxButton />
      <ul v-if="here.length" class="here" aria-label="Also here">
        <li v-for="who in here" :key="who.id" :title="`${who.name} has this open`">
          {{ initials(who.name) }}<span class="visually-hidden"> {{ who.name }} has this open</span>
        </li>
      </ul>
      <WalkAsButton v-if="draft.revision && walkAs.isOffered" />
      <button
        v-if="draft.revision"
        type="button"
        class="count"
        :title="draft.findings.length ? 'Findings (F8 goes to the next)' : 'No findings'"
        @click="$emit('findings')"
      >
        <template v-if="draft.findings.length">
          <span v-for="{ severity, count } in counts" :key="severity" class="of" :class="severity"
            ><SeverityMark :severity="severity" /> {{ count }}</span
          >
          <span class="visually-hidden">finding{{ draft.findings.length === 1 ? '' : 's' }}</span>
        </template>
        <template v-else>nothing found</template>
      </button>
      <button
        v-if="draft.revision"
        type="button"
        class="said"
        title="Comments (F9 writes one)"
        :aria-label="comments.openThreads.length === 1 ? '1 open comment' : `${comments.openThreads.length} open comments`"
        @click="comments.open = true"
      >
        <span class="talk" aria-hidden="true"></span> {{ comments.openThreads.length }}
      </button>
      <button type="button" class="tool" title="Go anywhere (Ctrl+K)" aria-label="Go to, Ctrl K" @click="$emit('go')">
        <kbd>Ctrl K</kbd>
      </button>
      <button type="button" class="tool keys" title="Keys and glyphs (?)" aria-label="Keys and glyphs" @click="$emit('keys')">?</button>
      <PersonButton />
    </div>
  </header>
</template>

<style scoped>
.bar {
  flex: none;
  display: flex;
  align-items: stretch;
  gap: 14px;
  height: 46px;
  padding: 0 14px;
  border-bottom: 2px solid var(--ink);
  background: var(--paper);
}

.mark {
  display: flex;
  align-items: center;
}

.where {
  display: flex;
  align-items: center;
  gap: 9px;
  min-width: 0;
  flex: 0 1 auto;
}

.number {
  font-size: 13px;
  white-space: nowrap;
}

.title {
  font: 600 19px/1 var(--heading);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  padding-bottom: 1px;
}

nav {
  display: flex;
  margin-left: 6px;
}

.face {
  display: flex;
  align-items: center;
  padding: 0 9px;
  font: 600 18px/1 var(--heading);
  color: var(--ink);
  text-decoration: none;
  border-bottom: 4px solid transparent;
  margin-bottom: -2px;
}

.face:hover {
  background: var(--moss-pale);
}

.face.router-link-active {
  border-bottom-color: var(--moss);
  color: var(--moss);
}

.right {
  margin-left: auto;
  display: flex;
  align-items: center;
  gap: 8px;
  flex: none;
}

.here {
  display: flex;
  gap: 3px;
  list-style: none;
  margin: 0;
  padding: 0;
}

.here li {
  width: 26px;
  height: 26px;
  font: 600 13px/26px var(--heading);
  text-align: center;
  color: var(--on-mark);
  background: var(--slate);
  border-radius: 50%;
}

.count,
.said,
.tool {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  height: 30px;
  padding: 0 9px;
  font: inherit;
  font-size: 14px;
  color: inherit;
  background: none;
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  cursor: pointer;
  white-space: nowrap;
}

.count:hover,
.said:hover,
.tool:hover {
  background: var(--moss-pale);
}

.count,
.said {
  font-weight: 600;
}

.of {
  display: inline-flex;
  align-items: center;
  gap: 4px;
}

/* On a phone what weighs most is enough; the list has all. */
@media (width <= 620px) {
  .of.hint:not(:first-child) {
    display: none;
  }
}

/* Two lines somebody has written. */
.talk {
  width: 13px;
  height: 11px;
  border: 1.5px solid currentcolor;
  border-left-width: 4px;
  background: linear-gradient(currentcolor, currentcolor) 2px 3px / 6px 1.5px no-repeat;
}

kbd {
  font: 12px var(--figures);
  color: var(--ink-soft);
}

.keys {
  width: 30px;
  justify-content: center;
  padding: 0;
}

/* Beside many faces the job's name needs the room: what waits is said whole where one points at it, and in the outbox. */
@media (1100px < width <= 1400px) {
  .right :deep(.kept) {
    max-width: 104px;
  }
}

@media (width <= 1400px) {
  .bar {
    gap: 10px;
  }

  .face {
    padding: 0 7px;
  }

  .right {
    gap: 6px;
  }

  .tool:not(.keys) {
    padding: 0 5px;
  }
}

@media (width <= 1240px) {
  .bar {
    flex-wrap: wrap;
    height: auto;
    gap: 0 12px;
  }

  .mark,
  .where {
    height: 44px;
  }

  .where {
    flex: 1 1 0;
  }

  .right {
    height: 44px;
  }

  nav {
    order: 9;
    flex: 1 0 100%;
    margin: 0 -6px;
    overflow-x: auto;
  }

  .face {
    min-height: 36px;
    margin-bottom: 0;
  }
}

@media (width <= 760px) {
  .bar {
    padding: 0 10px;
  }

  .where {
    flex: 1 1 calc(100% - 60px);
  }

  .right {
    flex: 1 0 100%;
    flex-wrap: wrap;
    height: auto;
    min-height: 40px;
    margin: 0;
  }

  .right > :last-child {
    margin-left: auto;
  }

  .tool {
    display: none;
  }
}

@media (forced-colors: active) {
  .face {
    border-bottom-color: Canvas;
  }

  .face.router-link-active {
    border-bottom-color: Highlight;
  }
}

@media print {
  .bar {
    display: none;
  }
}
</style>
