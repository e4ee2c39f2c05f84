/** A sheet with more letters than this is not opened, read or saved; what writes a project down may give more. */
export const MAX_SHEET = 900_000;
