/** 100 covers with a joint each: off and on again, ten steps a cover. */
export function longProcedure() {
  const covers = Array.from({ length: 100 }, (_, i) => i + 1);
  const off = covers.flatMap((i) => [
    `Inspect cover ${i}.`,
    `Loosen the cover ${i} bolts.`,
    `Remove the cover ${i} bolts.`,
    `Remove cover ${i}.`,
    `Clean cover ${i}.`,
  ]);
  const on = covers
    .toReversed()
    .flatMap((i) => [
      `Fit cover ${i}.`,
      `Start the cover ${i} bolts by hand.`,
      `Snug the cover ${i} bolts.`,
      i % 10 ? `Torque the cover ${i} bolts to 24 N·m.` : `Inspect the cover ${i} bolts.`,
      `Inspect cover ${i}.`,
    ]);
  const steps = (texts, letter) => texts.map((text, i) => ({ id: `${letter}${i}`, text }));
  return {
    format: 'wornpath-procedure',
    version: 1,
    number: 'B-1',
    title: 'A thousand steps',
    sheet: {
      parts: covers.map((i) => ({ id: `P${i}`, name: `cover ${i}` })),
      joints: covers.map((i) => ({ id: `J${i}`, name: `cover ${i} bolts`, torque: '24 N·m', holds: [`P${i}`] })),
      phases: [
        { id: 'h1', name: 'Removal', steps: steps(off, 'a') },
        { id: 'h2', name: 'Refit', steps: steps(on, 'b') },
      ],
    },
  };
}
