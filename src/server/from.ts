/** Where a connection comes from; whatever a client says of it under this name is written over. */
export const FROM_HEADER = 'x-keramos-from';

/** Whether an address is this machine itself. */
export const isOwnAddress = (address: string): boolean =>
  /^(?:::ffff:)?127\.\d{1,3}\.\d{1,3}\.\d{1,3}$/.test(address) || address === '::1';

/** Which page was asked for; likewise written over. */
export const PATH_HEADER = 'x-keramos-path';
