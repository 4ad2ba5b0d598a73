import { mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import TimeChain from './TimeChain.vue';

vi.mock('vue-router', () => ({ useRouter: () => ({ push: () => Promise.resolve(), currentRoute: { value: { params: {} } } }) }));

const step = (number: number, start: number, handsOn: number, waits = 0, critical = false) => ({
  number,
  what: `step ${number}`,
  handsOn,
  waits,
  people: 1,
  start,
  finish: start + handsOn + waits,
  critical,
});
const percent = (style: string, of: string): number => Number(new RegExp(`${of}: ([\\d.]+)%`).exec(style)?.[1]);

describe('the plan in time', () => {
  beforeEach(() => setActivePinia(createPinia()));

  const plan = {
    steps: [step(1, 0, 10, 0, true), step(2, 10, 5, 1920, true), step(3, 15, 20), step(4, 1935, 6, 0, true)],
    handsOnMinutes: 41,
    elapsedMinutes: 1941,
    crew: 1,
  };

  it('keeps the work in sight beside a cure of a day, and everything on the paper', () => {
    const page = mount(TimeChain, { props: { plan } });
    const bars = page.findAll('i').map((bar) => bar.attributes('style') ?? '');
    for (const bar of bars) {
      expect(percent(bar, 'left')).toBeGreaterThanOrEqual(0);
      expect(percent(bar, 'left') + percent(bar, 'width')).toBeLessThanOrEqual(100.01);
    }
    // The first ten minutes of two days would be half a percent; they are drawn as part of the work.
    expect(percent(page.findAll('.work')[0]?.attributes('style') ?? '', 'width')).toBeGreaterThan(10);
    expect(page.findAll('.minutes')[1]?.text()).toBe('5 min + 32 h wait');
  });

  it('says which steps decide the end, also to those who do not see it', () => {
    const page = mount(TimeChain, { props: { plan } });
    expect(page.findAll('li').map((li) => li.text().includes('on the critical chain'))).toEqual([true, true, false, true]);
  });
});
