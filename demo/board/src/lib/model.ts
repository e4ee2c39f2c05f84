export interface Mast {
  id: string;
  title: string;
  wind: number;
}

/** Above this many metres a second no cabin leaves. */
export const STORM = 18;
export const UNIT = Symbol('unit of the wind');
