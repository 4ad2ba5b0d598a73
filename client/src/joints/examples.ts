/** What may stand in a cell of a joint, shown in it while it is empty and its row is looked at. */
export const examples: Record<string, string> = {
  fastener: 'M8×25 8.8 bolt, 13 mm',
  torque: '22 N·m',
  source: 'Manual, 2nd ed., p. 14',
  pattern: 'circle, row, grid 2×4, U-bolts …',
  tell: 'the longer ones, at the top',
  heldBy: '17 mm spanner',
  into: 'cast aluminium, 18 mm',
  stack: 'spring washer, washer, nut 17 mm',
  adapter: '60 mm at 45°',
  variants: 'left: 40 N·m; right: 45 N·m',
  becomes: 'refit, discard, superseded by J7',
  holds: 'P1, P2',
};
