import type { Schemas } from '../api/client';

/** Whose entries are kept on this device now. */
export interface Owner {
  studio: string;
  person: string;
  /** seals what must stay on the device after signing out; only the server gives it, to this person */
  key: string;
}

let owner: Owner | null = null;

/** Says who is signed in. */
export function belongsTo(me: Schemas['Me']) {
  owner = { studio: me.studio_id, person: me.id, key: me.device_key };
}

export function whose(): Owner | null {
  return owner;
}

function prefix(of: Owner | null): string {
  return `draft:${of?.studio ?? ''}:${of?.person ?? ''}:`;
}

/** Under what name a draft of this person is kept. */
export function draftKey(name: string): string {
  return prefix(owner) + name;
}

/** Takes the drafts of whoever is signed in off the device, and forgets who that was. */
export function forgetOwner() {
  const mine = prefix(owner);
  for (const key of Object.keys(localStorage)) if (key.startsWith(mine)) localStorage.removeItem(key);
  owner = null;
}

async function keyOf(of: Owner): Promise<CryptoKey> {
  const bytes = Uint8Array.from(atob(of.key), (letter) => letter.charCodeAt(0));
  return crypto.subtle.importKey('raw', bytes, 'AES-GCM', false, ['encrypt', 'decrypt']);
}

export interface Sealed {
  iv: Uint8Array<ArrayBuffer>;
  data: ArrayBuffer;
}

/** Something that only its owner can read again. */
export async function seal(of: Owner, value: unknown): Promise<Sealed> {
  const iv = crypto.getRandomValues(new Uint8Array(12));
  const data = new TextEncoder().encode(JSON.stringify(value));
  return { iv, data: await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, await keyOf(of), data) };
}

export async function unseal(of: Owner, sealed: Sealed): Promise<unknown> {
  const data = await crypto.subtle.decrypt({ name: 'AES-GCM', iv: sealed.iv }, await keyOf(of), sealed.data);
  return JSON.parse(new TextDecoder().decode(data));
}
