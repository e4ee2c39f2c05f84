/** A number with its noun, in the singular where it is one. */
export const count = (number: number, noun: string): string => `${number} ${noun}${number === 1 ? '' : 's'}`;
