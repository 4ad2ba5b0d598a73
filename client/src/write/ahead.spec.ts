import { expect, test } from 'vitest';
import type { Ahead } from '../shared/api/client';
import { offerFor } from './ahead';

const ahead: Ahead = {
  next: 'Fit the wheel.',
  steps: ['Fit the wheel.', 'Torque the caliper bolts to 95 N·m.'],
  phrases: [
    { text: '22 N·m', from: 0, behind: 'guard bolts to ', source: 'MD-12 p. 4' },
    { text: 'caliper bracket bolts', from: 2, behind: '', source: '' },
    { text: 'bracket', from: 2, behind: '', source: '' },
    { text: 'corrosion', from: 3, behind: '', source: '' },
  ],
};
const rest = (text: string): string | undefined => offerFor(text, ahead, ['gasket', 'inspect', 'ball joint'])?.rest;

test('an empty line is offered the likely next step, a begun one what begins like it', () => {
  expect(rest('')).toBe('Fit the wheel.');
  expect(rest('Wipe it. ')).toBeUndefined();
  expect(rest('tor')).toBe('que the caliper bolts to 95 N·m.');
  expect(rest('Wipe it. Torque the caliper b')).toBe('olts to 95 N·m.');
  expect(rest('Fit the wheel.')).toBeUndefined();
});

test('names by most of their words, words after three letters, values behind their joint', () => {
  expect(rest('Loosen the ca')).toBe('liper bracket bolts');
  expect(rest('Loosen the caliper br')).toBe('acket bolts');
  expect(rest('Loosen the c')).toBeUndefined();
  expect(rest('Loosen the br')).toBe('acket');
  expect(rest('Look for co')).toBeUndefined();
  expect(rest('Look for cor')).toBe('rosion');
  expect(rest('Push out the ball jo')).toBe('int');
  expect(rest('Scrape the ga')).toBeUndefined();
  expect(rest('Scrape the gas')).toBe('ket');
  expect(rest('Scrape the gaske')).toBeUndefined();
  expect(offerFor('Tighten the guard bolts to ', ahead, [])).toEqual({ rest: '22 N·m', source: 'MD-12 p. 4' });
  expect(rest('Tighten the guard bolts to 2')).toBe('2 N·m');
  expect(rest('Tighten the guard bolts to 30')).toBeUndefined();
});

test('nothing is known: nothing is offered', () => {
  expect(offerFor('', null, [])).toBeNull();
  expect(offerFor('Loosen the ca', null, [])).toBeNull();
});
