/**
 * Cookie that holds the units this browser chose. In a file of its own: the server reads it too, and from a client
 * module it would get a reference instead of the text.
 */
export const UNITS_COOKIE = 'keramos-units';
