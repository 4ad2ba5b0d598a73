import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { defineComponent, effectScope, ref } from 'vue';
import { useEscape } from './escape';

const open = ref(false);
const Dialog = defineComponent({
  setup() {
    useEscape(
      () => open.value,
      () => (open.value = false),
    );
    return () => null;
  },
});
const press = (key: string): boolean => document.dispatchEvent(new KeyboardEvent('keydown', { key }));

describe('Esc', () => {
  it('closes what is open, wherever the focus is, and nothing else does', () => {
    const dialog = mount(Dialog);
    open.value = true;
    press('Enter');
    expect(open.value).toBe(true);
    press('Escape');
    expect(open.value).toBe(false);
    dialog.unmount();
  });

  it('is not listened to any more once the dialog is gone', () => {
    mount(Dialog).unmount();
    open.value = true;
    press('Escape');
    expect(open.value).toBe(true);
  });

  it('closes the topmost of several first, once a press', () => {
    const [below, above] = [ref(true), ref(false)];
    const both = effectScope();
    both.run(() => {
      useEscape(
        () => below.value,
        () => (below.value = false),
      );
      useEscape(
        () => above.value,
        () => (above.value = false),
      );
    });
    above.value = true;
    press('Escape');
    expect([below.value, above.value]).toEqual([true, false]);
    press('Escape');
    expect([below.value, above.value]).toEqual([false, false]);
    both.stop();
  });
});
