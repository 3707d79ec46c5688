import { Button } from '../../ui/Button';
import { clock } from '../../app/clock';
import { finish, isSent, tell, type Run } from './run';
import { Scale } from './Scale';
import { drop, useFloor } from './store';

/** The end of a session: how hard it was in all, and off the floor. */
export function Finish({ run, act }: { run: Run; act: (by: (run: Run, at: number) => Run) => void }) {
  const { link } = useFloor();
  const sent = isSent(run);
  return (
    <div>
      <h3 className="text-2xl font-bold">{run.finished ? 'Finished' : 'The session is over'}</h3>
      <p className="text-lg">
        {clock(run.ranMs / 1000)} on the clock. {!run.finished && 'Look over the sets, then finish.'}
      </p>
      {run.plan.members.map((member, i) => (
        <Scale
          key={member.client}
          label={`Effort of the whole session${run.plan.members.length > 1 ? `, ${member.name}` : ''}`}
          ends={['none', 'all there is']}
          value={run.members[i]?.effort}
          onChange={(effort) => {
            act((each, at) => tell(each, i, { effort }, at));
          }}
        />
      ))}
      {!run.finished ? (
        <Button
          look="act"
          className="mt-3 min-h-14 w-full text-xl"
          onClick={() => {
            act(finish);
          }}
        >
          Finish
        </Button>
      ) : (
        <Button
          className="mt-3 min-h-12 w-full text-lg"
          disabled={!sent}
          title={sent ? undefined : 'The server does not have all of it yet'}
          onClick={() => {
            void drop(run.id);
          }}
        >
          {sent ? 'Off the floor' : link === 'sending' ? 'Sending …' : 'Waits for the server'}
        </Button>
      )}
    </div>
  );
}
