import { ref } from 'vue';

/** What was just done, for those who see the page and those who hear it; shown for a while by the Announcer. */
export const said = ref<{ text: string; turn: number }>({ text: '', turn: 0 });

/** Says what was done where the page itself does not show it plainly. */
export function say(text: string): void {
  said.value = { text, turn: said.value.turn + 1 };
}
