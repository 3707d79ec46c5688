import { type Schemas } from '../../api/client';
import { longDate } from '../../lib/dates';
import { dayNames } from '../../lib/words';
import { Button } from '../../ui/Button';
import { useBoard, useBoardChange, useClientId } from '../../parts/board/useBoard';
import { missSession, moveSession } from './changes';
import { useMissedOffer } from './queries';

/** What can become of a session that was missed: the next day that takes it, or what the week goes without. */
export function MissedSession({ session, week }: { session: Schemas['WeekSession']; week: number }) {
  const client = useClientId();
  const board = useBoard();
  const command = useBoardChange();
  const version = board.data?.version ?? 1;
  const place = session.number;
  const offer = useMissedOffer(client, version, week, place);
  const day = offer.data?.day ?? null;
  return (
    <div role="group" aria-label={`Missed: ${dayNames[session.day] ?? ''}`} className="bg-warn-soft px-4 py-2">
      <p className="font-semibold">Missed. It counts in no verdict.</p>
      {offer.data !== undefined && day === null && (
        <>
          <p>None of the six days behind it has its minutes and 48 h from the hard sessions, so it is dropped.</p>
          {offer.data.loses.map((line) => (
            <p key={line}>{line}</p>
          ))}
        </>
      )}
      <div className="mt-1 flex flex-wrap gap-2">
        {day !== null && (
          <Button
            look="act"
            disabled={command.isPending}
            onClick={() => {
              command.mutate(moveSession(week, place, { day, week_later: offer.data?.week_later === true }));
            }}
          >
            Move it to {dayNames[day]}
            {offer.data?.on != null && `, ${longDate(offer.data.on)}`}
          </Button>
        )}
        <Button
          disabled={command.isPending}
          onClick={() => {
            command.mutate(missSession(week, place, false));
          }}
        >
          Not missed
        </Button>
      </div>
    </div>
  );
}
