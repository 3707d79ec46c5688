import { useSyncExternalStore } from 'react';

/** How this device shows things: chosen on it, kept on it. The first of each is what nobody chose. */
export const readings = {
  letters: ['usual', 'larger', 'largest'],
  motion: ['device', 'less'],
} as const;

type Readings = typeof readings;
export type Reading = keyof Readings;

const CHANGED = 'reading';
const calm = window.matchMedia('(prefers-reduced-motion: reduce)');

function kept(reading: Reading): string {
  let value: string | null = null;
  try {
    value = localStorage.getItem(reading);
  } catch {
    // a file may be opened where nothing is kept
  }
  return (readings[reading] as readonly string[]).find((each) => each === value) ?? readings[reading][0];
}

/** Puts what was chosen on the page; before it is drawn, so that nothing jumps. */
export function applyReadings() {
  for (const reading of Object.keys(readings) as Reading[]) document.documentElement.dataset[reading] = kept(reading);
}

export function choose(reading: Reading, as: string) {
  localStorage.setItem(reading, as);
  applyReadings();
  window.dispatchEvent(new Event(CHANGED));
}

function watch(changed: () => void) {
  window.addEventListener(CHANGED, changed);
  calm.addEventListener('change', changed);
  return () => {
    window.removeEventListener(CHANGED, changed);
    calm.removeEventListener('change', changed);
  };
}

export function useReading(reading: Reading): string {
  return useSyncExternalStore(watch, () => kept(reading));
}

/** Whether figures stand still until they are asked to move. */
export function usePrefersCalm(): boolean {
  return useSyncExternalStore(watch, () => calm.matches || kept('motion') === 'less');
}
