import { useEffect, useState, type RefObject } from 'react';

/** So far below or above the edge of the screen something counts as near. */
const MARGIN = '800px 0px';

const waiting = new Map<Element, () => void>();

let observer: IntersectionObserver | undefined;

/** Tells once when an element comes near the part of the page that is seen. */
function whenNear(element: Element, tell: () => void): () => void {
  observer ??= new IntersectionObserver(
    (entries) => {
      for (const entry of entries) if (entry.isIntersecting) waiting.get(entry.target)?.();
    },
    { rootMargin: MARGIN },
  );
  waiting.set(element, tell);
  observer.observe(element);
  return () => {
    waiting.delete(element);
    observer?.unobserve(element);
  };
}

/** Whether an element has come near the part of the page that is seen, or is about to be printed: long lists are drawn as needed. */
export function useNear(ref: RefObject<Element | null>, from: boolean): boolean {
  const [near, setNear] = useState(from);
  useEffect(() => {
    const element = ref.current;
    if (near || element === null) return undefined;
    const tell = () => {
      setNear(true);
    };
    window.addEventListener('beforeprint', tell);
    const stop = whenNear(element, tell);
    return () => {
      window.removeEventListener('beforeprint', tell);
      stop();
    };
  }, [near, ref]);
  return near;
}
