/** What the page of a rule says, beyond its summary. */
export interface Example {
  language: string;
  /** Files by path, with the fault. */
  before: Record<string, string>;
  /** Those of them that differ once it is mended. */
  after: Record<string, string>;
}

export interface RulePage {
  /** What happens, in terms of the page that people see. */
  means: string;
  /** What it costs those who use or change the code. */
  costs: string;
  /** How sure it is, and when nothing is said. */
  sure: string;
  examples: Example[];
}

/** Pages by the name of their rule. */
export type RulePages = Record<string, RulePage>;

/** An example in one file. */
export const inFile = (language: string, path: string, before: string, after: string): Example => ({
  language,
  before: { [path]: before },
  after: { [path]: after },
});

export const react = (before: string, after: string): Example => inFile('react', 'Deck.tsx', before, after);
