/** A record that is encrypted with AES-GCM, and the number that was used once. */
export interface Encrypted {
  readonly iv: Uint8Array<ArrayBuffer>;
  readonly bytes: ArrayBuffer;
}

/** Encryption is only offered to pages that came over TLS or from the machine itself. */
export const canLock = (): boolean => globalThis.crypto?.subtle !== undefined;

const bytesOf = (base64: string): Uint8Array<ArrayBuffer> => Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));

export const importKey = (base64: string): Promise<CryptoKey> =>
  crypto.subtle.importKey('raw', bytesOf(base64), 'AES-GCM', false, ['encrypt', 'decrypt']);

export async function encrypt(key: CryptoKey, value: unknown): Promise<Encrypted> {
  const iv = crypto.getRandomValues(new Uint8Array(12));
  const text = new TextEncoder().encode(JSON.stringify(value));
  return { iv, bytes: await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, key, text) };
}

/** Throws where the key is another one or the bytes were changed. */
export async function decrypt(key: CryptoKey, { iv, bytes }: Encrypted): Promise<unknown> {
  const text = await crypto.subtle.decrypt({ name: 'AES-GCM', iv }, key, bytes);
  return JSON.parse(new TextDecoder().decode(text)) as unknown;
}
