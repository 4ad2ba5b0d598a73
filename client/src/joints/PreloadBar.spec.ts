import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import type { JointView } from '../shared/api/client';
import PreloadBar from './PreloadBar.vue';

type Verdict = NonNullable<JointView['preload']>['verdict'];
const joint = (low: number, target: number, high: number, verdict: Verdict): JointView => ({
  id: 'J1',
  counterpart: '',
  preload: { low, target, high, verdict },
  proofKn: 20,
  end: { stage: 'torqued', pass: 0, of: 0, some: false },
  wrench: null,
  pattern: null,
  check: null,
  notes: [],
});

describe('the preload bar', () => {
  it.each([
    [0.1, 0.13, 0.17, 'tooLittle', 'warn', '13 %'],
    [0.5, 0.66, 0.83, 'bears', 'fine', '66 %'],
    [0.7, 0.94, 1.17, 'mayYield', 'warn', '94 %'],
    [1.2, 1.6, 2, 'yields', 'stop', '160 %'],
  ] as const)('from %d to %d, %d: %s', (low, target, high, verdict, level, percent) => {
    const bar = mount(PreloadBar, { props: { joint: joint(low, target, high, verdict) } });
    expect(bar.classes(level)).toBe(true);
    expect(bar.text()).toBe(percent);
    expect(bar.find('svg').attributes('aria-label')).toContain(`${percent} of the proof load at the target`);
  });

  it('stays in its frame however far the value is beyond', () => {
    const bar = mount(PreloadBar, { props: { joint: joint(5, 6, 8, 'yields') } });
    const width = Number(bar.find('svg').attributes('width'));
    expect(Number(bar.find('.target').attributes('x'))).toBeLessThanOrEqual(width);
  });

  it('says that nothing is judged where nothing can be', () => {
    const bar = mount(PreloadBar, { props: { joint: undefined } });
    expect(bar.text()).toBe('—');
    expect(bar.attributes('title')).toContain('needed');
  });
});
