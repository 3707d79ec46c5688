import { answer, api, type Schemas } from '../../api/client';

/** The still picture of every rung: the shipped ones, which never change under their address, and the studio's own over them. */
export async function readFigures(): Promise<Record<string, Schemas['Drawing']>> {
  const own = await answer(api.GET('/figures'));
  const drawn = await fetch(own.drawn);
  if (!drawn.ok) throw new Error(`The figures answered ${drawn.status}.`);
  return { ...((await drawn.json()) as Record<string, Schemas['Drawing']>), ...own.figures };
}
