import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { Notice, Waiting } from '../../ui/Notice';
import { useBoard, useClientId } from '../board/useBoard';
import { RungPicker } from '../rungs/RungPicker';

/** Why the plan of the client does not hold an exercise, what lifts each reason, and what the week would be without them. */
export function WhyNot({ rung }: { rung: string }) {
  const client = useClientId();
  const version = useBoard().data?.version;
  const found = useQuery({
    queryKey: ['why-not', client, rung, version],
    queryFn: () => answer(api.GET('/clients/{client}/why-not/{rung}', { params: { path: { client, rung } } })),
  });
  if (found.isPending) return <Waiting what="a week planned with it" />;
  if (found.isError) return <Notice title={found.error.message} />;
  const it = found.data;
  if (it.where.length > 0)
    return (
      <p>
        <b>{it.name}</b> is in the plan: {it.where.slice(0, 6).join('; ')}
        {it.where.length > 6 && ` and ${it.where.length - 6} more`}.
      </p>
    );
  return (
    <div data-why-not>
      <p>
        <b>{it.name}</b>{' '}
        {it.planned_anew
          ? 'is not in this program, but would be in a week planned anew today.'
          : it.reasons.length === 1
            ? 'is not in the plan for one reason:'
            : `is not in the plan for ${it.reasons.length} reasons, each of which would do on its own:`}
      </p>
      <ul className="my-2 space-y-1">
        {it.reasons.map((reason) => (
          <li key={reason.code + reason.text} className="border-l-4 border-warn pl-3">
            {reason.text} <span className="text-faint">{reason.lifted_by}</span>
          </li>
        ))}
      </ul>
      {it.would_change.length > 0 && (
        <details className="text-[0.9375rem]">
          <summary className="min-h-8 cursor-pointer font-semibold">What the week would be without them</summary>
          <ul className="list-disc pl-5">
            {it.would_change.map((change) => (
              <li key={change}>{change}</li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

/** Asks it of any exercise, or of one that is meant already. */
export function AskWhyNot({ rung }: { rung?: string }) {
  const [picked, setPicked] = useState(rung);
  return (
    <>
      <RungPicker
        label="Any exercise"
        autoFocus={rung === undefined}
        onPick={(each) => {
          setPicked(each.id);
        }}
      />
      {picked !== undefined && <WhyNot key={picked} rung={picked} />}
    </>
  );
}
