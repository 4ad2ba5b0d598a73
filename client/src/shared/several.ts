/** "1 step", "1,204 steps": how many of what. */
export const several = (count: number, what: string): string => `${count.toLocaleString('en-GB')} ${what}${count === 1 ? '' : 's'}`;
