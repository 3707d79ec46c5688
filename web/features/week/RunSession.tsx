import { useMutation } from '@tanstack/react-query';
import { Play } from 'lucide-react';
import { useNavigate } from 'react-router';
import { Button } from '../../ui/Button';
import { useClientId } from '../../parts/board/useBoard';
import { startRun } from '../../parts/run/start';

/** Puts a session of the week on the floor. */
export function RunSession({ week, place, day, again }: { week: number; place: number; day: string; again: boolean }) {
  const client = useClientId();
  const navigate = useNavigate();
  const run = useMutation({
    mutationFn: () => startRun(client, week, place),
    onSuccess: () => navigate('/floor'),
  });
  return (
    <>
      <Button
        look={again ? 'plain' : 'act'}
        aria-label={`Run the session of ${day}`}
        disabled={run.isPending}
        onClick={() => {
          run.mutate();
        }}
      >
        <Play size={18} aria-hidden /> {again ? 'Run again' : 'Run'}
      </Button>
      <span role="alert" className="font-semibold text-warn empty:hidden">
        {run.error?.message}
      </span>
    </>
  );
}
