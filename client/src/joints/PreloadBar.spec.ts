import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import type { JointView } from '../shared/api/client';
import PreloadBar from './PreloadBar.vue';

const joint = (low: number, target: number, high: number): JointView => ({
  id: 'J1',
  counterpart: '',
  preload: { low, target, high },
  proofKn: 20,
  end: { stage: 'torqued', pass: 0, of: 0 },
  wrench: null,
  pattern: null,
  notes: [],
});

describe('the preload bar', () => {
  it.each([
    [0.5, 0.66, 0.83, 'fine', '66 %'],
    [0.7, 0.94, 1.17, 'warn', '94 %'],
    [1.2, 1.6, 2, 'stop', '160 %'],
  ])('from %d to %d is %s', (low, target, high, level, percent) => {
    const bar = mount(PreloadBar, { props: { joint: joint(low, target, high) } });
    expect(bar.classes(level)).toBe(true);
    expect(bar.text()).toBe(percent);
    expect(bar.find('svg').attributes('aria-label')).toContain(`${percent} of the proof load at the target`);
  });

  it('stays in its frame however far the value is beyond', () => {
    const bar = mount(PreloadBar, { props: { joint: joint(5, 6, 8) } });
    const width = Number(bar.find('svg').attributes('width'));
    expect(Number(bar.find('.target').attributes('x'))).toBeLessThanOrEqual(width);
  });

  it('says that nothing is judged where nothing can be', () => {
    const bar = mount(PreloadBar, { props: { joint: undefined } });
    expect(bar.text()).toBe('—');
    expect(bar.attributes('title')).toContain('needed');
  });
});
