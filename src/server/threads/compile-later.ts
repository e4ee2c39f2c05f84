/** How eagerly the engine of the platform compiles what runs often. */
import { setFlagsFromString } from 'node:v8';

/**
 * How much of a function runs before it is compiled once more, to be fast: somewhat more than twice as much as usual, in bytes
 * of its code. An audit runs through much code, most of it for a few seconds; by the usual measure a third of all that it
 * takes goes into compiling, in each thread anew.
 */
const BUDGET = 300_000;

/** Compiles later than usual; for the whole process, all of its threads. Where the platform knows no such measure, nothing. */
export function compileLater(): void {
  setFlagsFromString(`--interrupt-budget=${BUDGET}`);
}
