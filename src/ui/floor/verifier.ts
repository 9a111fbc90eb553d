const ROUNDS = 310_000;
const base64 = (bytes: Uint8Array) => btoa(String.fromCharCode(...bytes));
const bytesOf = (text: string) => Uint8Array.from(atob(text), (char) => char.charCodeAt(0));

async function derived(pin: string, salt: Uint8Array<ArrayBuffer>): Promise<string> {
  const key = await crypto.subtle.importKey('raw', new TextEncoder().encode(pin), 'PBKDF2', false, ['deriveBits']);
  const bits = await crypto.subtle.deriveBits({ name: 'PBKDF2', hash: 'SHA-256', salt, iterations: ROUNDS }, key, 256);
  return base64(new Uint8Array(bits));
}

/** What a device keeps of a PIN, to know it again while the server is away. */
export async function verifierOf(pin: string): Promise<{ salt: string; hash: string }> {
  const salt = crypto.getRandomValues(new Uint8Array(16));
  return { salt: base64(salt), hash: await derived(pin, salt) };
}
/** Whether a PIN is the one that was kept. */
export const isPin = async (pin: string, { salt, hash }: { salt: string; hash: string }): Promise<boolean> =>
  (await derived(pin, bytesOf(salt))) === hash;
