import { useState } from 'react';
import { draftKey } from './device';

interface Kept<T> {
  /** what it was typed into; entries of another form are not put into this one */
  of: string;
  value: T;
}

function read(key: string, of: string): unknown {
  try {
    const text = localStorage.getItem(key);
    const kept = text === null ? null : (JSON.parse(text) as Kept<unknown>);
    return kept?.of === of ? kept.value : null;
  } catch {
    return null;
  }
}

/**
 * What somebody typed, kept on this device for them until it is saved or thrown away: another page, another tab, a reload or an ended
 * session loses nothing.
 */
export function useKept<T extends object>(
  name: string,
  start: T,
  of = '',
): [T, (next: T | ((before: T) => T)) => void, () => void, boolean] {
  const key = draftKey(name);
  const [typed, setTyped] = useState<T | null>(() => {
    const kept = read(key, of) as T | null;
    // what was kept by an earlier version of the page lacks what is new on it
    return kept === null || Array.isArray(kept) ? kept : { ...start, ...kept };
  });
  return [
    typed ?? start,
    (next) => {
      // two answers of one tap: the second goes on from the first
      setTyped((before) => {
        const value = typeof next === 'function' ? next(before ?? start) : next;
        localStorage.setItem(key, JSON.stringify({ of, value } satisfies Kept<T>));
        return value;
      });
    },
    () => {
      setTyped(null);
      localStorage.removeItem(key);
    },
    typed !== null,
  ];
}

/** Whether something of that name is kept. */
export function isKept(name: string): boolean {
  return localStorage.getItem(draftKey(name)) !== null;
}
