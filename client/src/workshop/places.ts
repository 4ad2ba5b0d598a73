import type { Part } from './settings';

/** The places of the workshop, in the order one comes by them. */
export const places = [
  { key: 'torque-tools', name: 'Torque tools', part: 'crib', says: 'Every value of every sheet is held against them.' },
  { key: 'hand-tools', name: 'Hand tools', part: 'handTools', says: 'Kept as sets: what is in one is at hand, and nobody ticks it off.' },
  {
    key: 'rules',
    name: 'House rules',
    part: 'rules',
    says: 'How values are set and reckoned. What is released keeps the rules it was released under.',
  },
  { key: 'schools', name: 'Schools of practice', part: 'rules', says: 'Where the trade has more than one way: the way of this house.' },
  {
    key: 'weights',
    name: 'Weights',
    part: 'rules',
    says: 'What each finding weighs here. What stops a release stops it in every workshop.',
  },
  { key: 'words', name: 'Words', part: 'rules', says: 'Words you do not write, and words your people say that the trade does not.' },
  {
    key: 'documents',
    name: 'Source documents',
    part: 'documents',
    says: 'What values are taken from, and the edition you work by. A value from an earlier one is found on every sheet.',
  },
  {
    key: 'values',
    name: 'Values',
    part: 'values',
    says: 'Torque values kept once for all sheets, each with its source. A joint takes one; who changes it here sees every sheet that has it.',
  },
  { key: 'blocks', name: 'Blocks', part: 'blocks', says: 'Steps that come up again and again; / in an empty step puts one in.' },
  { key: 'backup', name: 'Backup', part: null, says: 'Everything in one file, as it stands at one moment, while everybody works on.' },
] as const satisfies { key: string; name: string; part: Part | null; says: string }[];

export type PlaceKey = (typeof places)[number]['key'];
