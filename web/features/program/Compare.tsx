import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { Button } from '../../ui/Button';
import { SelectField } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { useBoard, useClientId } from '../../parts/board/useBoard';
import { WeekInShort } from '../../parts/week/WeekInShort';
import { usePrograms } from './usePrograms';

interface Choice {
  program: string;
  week: number;
}

/** Two weeks side by side, of one program or of two. */
export function Compare() {
  const programs = usePrograms();
  const [open, setOpen] = useState(false);
  const list = programs.data?.programs ?? [];
  const current = list.find((each) => each.current) ?? list[0];
  if (current === undefined) return null;
  return (
    <section aria-label="Compare">
      <h2 className="text-xl font-bold">Compare</h2>
      {open ? (
        <Weeks first={{ program: current.id, week: 1 }} second={{ program: current.id, week: current.weeks }} />
      ) : (
        <Button
          onClick={() => {
            setOpen(true);
          }}
        >
          Compare two weeks or two programs
        </Button>
      )}
    </section>
  );
}

function Weeks({ first, second }: { first: Choice; second: Choice }) {
  const [one, setOne] = useState(first);
  const [other, setOther] = useState(second);
  const left = useWeekOf(one);
  const right = useWeekOf(other);
  const error = left.error ?? right.error;
  return (
    <div className="grid gap-4 lg:grid-cols-2">
      <div>
        <Choose label="First" choice={one} onChange={setOne} />
        {left.data !== undefined && <WeekInShort title={`Week ${one.week}`} under="" week={left.data} other={null} />}
      </div>
      <div>
        <Choose label="Second" choice={other} onChange={setOther} />
        {right.data !== undefined && (
          <WeekInShort title={`Week ${other.week}`} under="" week={right.data} other={left.data ?? null} />
        )}
      </div>
      {error !== null && <Notice title={error.message} />}
    </div>
  );
}

function useWeekOf({ program, week }: Choice) {
  const client = useClientId();
  const board = useBoard();
  return useQuery({
    queryKey: ['week', client, board.data?.version, program, week],
    queryFn: () =>
      answer(
        api.GET('/clients/{client}/programs/{program}/weeks/{week}', { params: { path: { client, program, week } } }),
      ),
    placeholderData: (before) => before,
  });
}

function Choose({ label, choice, onChange }: { label: string; choice: Choice; onChange: (choice: Choice) => void }) {
  const programs = usePrograms();
  const list = programs.data?.programs ?? [];
  const weeks = list.find((each) => each.id === choice.program)?.weeks ?? 1;
  return (
    <div className="mb-2 flex gap-2">
      <SelectField
        label={`${label}: program`}
        className="min-w-0 flex-1"
        value={choice.program}
        options={list.map((each) => [each.id, each.title + (each.current ? ' (in use)' : '')] as const)}
        onChange={(program) => {
          onChange({ program, week: 1 });
        }}
      />
      <SelectField
        label="Week"
        className="w-24"
        value={String(choice.week)}
        options={Array.from({ length: weeks }, (_, i) => [String(i + 1), String(i + 1)] as const)}
        onChange={(week) => {
          onChange({ ...choice, week: Number(week) });
        }}
      />
    </div>
  );
}
