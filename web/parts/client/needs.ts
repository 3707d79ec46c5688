import type { Schemas } from '../../api/client';
import { longDate } from '../../lib/dates';
import { urgencyNames } from '../../lib/words';

/** What a client needs the trainer for, in words. */
export function needWords(
  { kind, on, count }: Schemas['ClientRow']['needs'][number],
  client: Schemas['ClientRow'],
): string {
  const day = on === null ? '' : longDate(on);
  return {
    stop: client.stop ?? `Stopped on ${day}`,
    refer: urgencyNames[client.refer ?? ''] ?? '',
    pain: `Pain ${count ?? 0} of 10 on ${day}`,
    decision: count === 1 ? 'A verdict waits' : `${count ?? 0} verdicts wait`,
    screen: `Screen due since ${day}`,
    kept: count === 1 ? 'One barred exercise kept all the same' : `${count ?? 0} barred exercises kept all the same`,
    stuck: count === 1 ? 'Stuck on a ladder for four weeks' : `Stuck on ${count ?? 0} ladders for four weeks`,
    retest: `Re-test due since ${day}`,
    unseen: `Last seen ${day}`,
  }[kind];
}
