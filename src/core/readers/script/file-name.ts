/** What the component of a file is called inside it, where no name of the code means it. */
export const SELF = '#self';
