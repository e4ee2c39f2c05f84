/** How much of a kind was joined. */
interface Tally {
  written: number;
  joined: number;
}

/** With less than this joined, the figure is shown as a warning; the reports draw the line at the same place. */
const WELL_JOINED = 0.95;

export const isPoor = ({ written, joined }: Tally): boolean => joined < written * WELL_JOINED;
