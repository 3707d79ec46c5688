import { hmac } from '@noble/hashes/hmac.js';
import { sha256 } from '@noble/hashes/sha2.js';
import type { Seal } from './document';
import type { PainKind } from '../parts/log/painKinds';

/** What comes back of one session; formats/HomeReturn.php reads it and says what each part is. */
export interface Back {
  /** place of the session; 63 where something hurts outside any */
  session: number;
  day: number;
  ended?: 'time' | 'tired' | 'pain' | 'client' | undefined;
  /** seconds on the clock */
  ran: number;
  soreness?: number | undefined;
  pain_before?: number | undefined;
  effort?: number | undefined;
  pain_kind?: PainKind | undefined;
  /** for each warning sign of the page whether it is there */
  warnings: boolean[];
  /** absent where nobody asked */
  signs?: string[] | undefined;
  exercises: { effort?: number | undefined; pain?: number | undefined; pain_kind?: PainKind | undefined }[];
  /** an amount, true as asked, null left out */
  sets: (number | true | null)[];
  word: string;
}

export const OUTSIDE = 63;
export const MOST_WORD = 200;

const VERSION = 1;
const NOT_SAID = 15;
const endings = [undefined, 'time', 'tired', 'pain', 'client'];
const kinds: (PainKind | undefined)[] = [undefined, 'ordinary', 'familiar', 'sharp', 'spreading', 'numb', 'giving-way'];
const signs = ['leak', 'doming', 'heaviness'];
const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

class Bits {
  private bits = '';

  put(value: number, bits: number) {
    this.bits += (value + 2 ** bits).toString(2).slice(-bits);
  }

  bytes(): Uint8Array {
    const groups = this.bits.match(/.{1,8}/g) ?? [];
    return Uint8Array.from(groups, (group) => parseInt(group.padEnd(8, '0'), 2));
  }
}

function joined(...parts: Uint8Array[]): Uint8Array {
  return Uint8Array.from(parts.flatMap((part) => [...part]));
}

/** The bytes of what comes back, with what was written or without it. */
export function payload(back: Back, withWord: boolean): Uint8Array {
  const bits = new Bits();
  bits.put(VERSION, 3);
  bits.put(back.session, 6);
  bits.put(back.day, 9);
  bits.put(endings.indexOf(back.ended), 3);
  bits.put(Math.min(32_767, back.ran), 15);
  for (const said of [back.soreness, back.pain_before, back.effort]) bits.put(said ?? NOT_SAID, 4);
  bits.put(kinds.indexOf(back.pain_kind), 3);
  for (const there of back.warnings) bits.put(there ? 1 : 0, 1);
  bits.put(back.signs === undefined ? 0 : 1, 1);
  for (const sign of signs) bits.put(back.signs?.includes(sign) === true ? 1 : 0, 1);
  for (const { effort, pain, pain_kind } of back.exercises) {
    const said = effort !== undefined || pain !== undefined || pain_kind !== undefined;
    bits.put(said ? 1 : 0, 1);
    if (!said) continue;
    bits.put(effort ?? NOT_SAID, 4);
    bits.put(pain ?? NOT_SAID, 4);
    bits.put(kinds.indexOf(pain_kind), 3);
  }
  for (const done of back.sets) {
    if (done === true) bits.put(1, 2);
    else if (done === null) bits.put(3, 2);
    else if (done <= 0) bits.put(0, 2);
    else {
      bits.put(2, 2);
      bits.put(Math.min(65_535, Math.round(done * 10)), 16);
    }
  }
  return withWord ? joined(bits.bytes(), new TextEncoder().encode(back.word)) : bits.bytes();
}

function sealOf(what: Uint8Array, { page, key }: Seal): Uint8Array {
  const secret = Uint8Array.from(atob(key), (letter) => letter.charCodeAt(0));
  return hmac(sha256, secret, joined(new TextEncoder().encode(`even-rungs/home-return/1\0${page}\0`), what));
}

/** For a link, a picture or a file. */
export function whole(back: Back, seal: Seal): string {
  const what = payload(back, true);
  const text = btoa(String.fromCharCode(...joined(what, sealOf(what, seal))));
  return `${seal.page}.${text.replaceAll('+', '-').replaceAll('/', '_').replace(/=+$/, '')}`;
}

/** To be read out or typed, without what was written. */
export function typed(back: Back, seal: Seal): string {
  const what = payload(back, false);
  let bits = '';
  for (const byte of joined(what, sealOf(what, seal).slice(0, 5))) bits += (byte + 256).toString(2).slice(1);
  const letters = (bits.match(/.{1,5}/g) ?? []).map((five) => LETTERS[parseInt(five.padEnd(5, '0'), 2)]).join('');
  return (letters.match(/.{1,4}/g) ?? []).join('-');
}
