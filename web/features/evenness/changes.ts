import { answer, api } from '../../api/client';
import type { EvennessChange } from '../../parts/evenness/useEvenness';

/** One set more for the weaker side of a ladder. */
export function extraSet(ladder: string): EvennessChange {
  return (client, version) =>
    answer(
      api.POST('/clients/{client}/evenness', {
        params: { path: { client } },
        body: { version, kind: 'extra-set', ladder },
      }),
    );
}

/** The rung of a direction waits for the others. */
export function hold(category: string): EvennessChange {
  return (client, version) =>
    answer(
      api.POST('/clients/{client}/evenness', {
        params: { path: { client } },
        body: { version, kind: 'hold', category },
      }),
    );
}

export function letGo(choice: number): EvennessChange {
  return (client, version) =>
    answer(
      api.POST('/clients/{client}/evenness/{choice}/end', {
        params: { path: { client, choice } },
        body: { version },
      }),
    );
}

/** An aim in the client's own words. */
export function ownAim(words: string): EvennessChange {
  return (client) => answer(api.POST('/clients/{client}/own-aims', { params: { path: { client } }, body: { words } }));
}

/** @param on ISO date */
export function scoreAim(aim: number, score: number, on: string): EvennessChange {
  return (client) =>
    answer(api.POST('/clients/{client}/own-aims/{aim}', { params: { path: { client, aim } }, body: { score, on } }));
}

export function endAim(aim: number): EvennessChange {
  return (client) =>
    answer(api.POST('/clients/{client}/own-aims/{aim}', { params: { path: { client, aim } }, body: { ended: true } }));
}
