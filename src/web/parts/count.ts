/** A number as it is read: in groups of three figures. */
export const inFigures = (number: number): string => number.toLocaleString('en');

/** A number with its noun, in the singular where it is one. */
export const count = (number: number, noun: string): string =>
  `${inFigures(number)} ${noun}${number === 1 ? '' : 's'}`;
