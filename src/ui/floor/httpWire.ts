import { api } from '../shared/api';
import type { Answer, Wire } from './sync';

/** The server over HTTP. */
export const httpWire: Wire = {
  async send(buildId, records, passes) {
    const body = { records, passes };
    const { received } = await api<{ received: Answer[] }>('POST', `/api/builds/${buildId}/records`, body);
    return received;
  },
  fetch: (buildId, since) => api('GET', `/api/builds/${buildId}/records?since=${since}`),
  async sendPhoto(buildId, id, bytes) {
    const response = await fetch(`/api/builds/${buildId}/photos/${id}`, { method: 'PUT', body: bytes });
    // One that the server will never take is not sent for ever.
    if (!response.ok && response.status >= 500) throw new TypeError(`The server answered ${response.status}`);
  },
};
