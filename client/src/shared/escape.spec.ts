import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { defineComponent, ref } from 'vue';
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
});
