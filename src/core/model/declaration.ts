import type { Place, Port } from './project';

/** Where the name of a port is written; that is not in its component, where several take their props from one type. */
export const declarationOf = ({ declaredAt, place }: Port): Place => declaredAt ?? place;
